<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

/** An SVG file as a tree, looked through before it is built: nothing in it is fetched, unfolded or run. */
final class Document
{
    /** Bytes. */
    public const LARGEST = 20_000_000;

    public const MOST_ELEMENTS = 100_000;

    private const DEEPEST = 200;

    /** @var array<string, \DOMElement> */
    private array $byId = [];

    public readonly StyleSheet $sheet;

    /** @var list<string> selectors of its style sheets that were not read */
    public array $unread = [];

    private function __construct(public readonly \DOMElement $root)
    {
        $this->sheet = new StyleSheet;
        // All at once: a list that lives is gone through from its beginning for each of them.
        $all = $root->ownerDocument === null ? false : (new \DOMXPath($root->ownerDocument))->query('//*');
        foreach ($all === false ? [] : $all as $element) {
            if (! $element instanceof \DOMElement) {
                continue;
            }
            $id = $element->getAttribute('id');
            if ($id !== '') {
                $this->byId[$id] ??= $element;
            }
            if ($element->localName === 'style') {
                array_push($this->unread, ...$this->sheet->read($element->textContent));
            }
        }
    }

    /** @throws NoDrawing */
    public static function read(string $text): self
    {
        if (strlen($text) > self::LARGEST) {
            throw new NoDrawing(
                'Expected an SVG file of at most '.self::LARGEST / 1e6.' MB; this one has '.round(strlen($text) / 1e6).'.',
            );
        }
        if (stripos($text, '<!ENTITY') !== false) {
            throw new NoDrawing('The file declares entities, which unfold to anything; saved without them, it can be brought in.');
        }
        $count = substr_count($text, '<') - substr_count($text, '</');
        if ($count > self::MOST_ELEMENTS) {
            throw new NoDrawing(
                'Expected at most '.number_format(self::MOST_ELEMENTS).' elements; this file has about '.number_format($count).'.',
            );
        }
        $document = new \DOMDocument;
        $before = libxml_use_internal_errors(true);
        $isRead = trim($text) !== '' && $document->loadXML($text, LIBXML_NONET | LIBXML_COMPACT);
        $fault = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $root = $document->documentElement;
        if (! $isRead || $root === null) {
            throw new NoDrawing(
                'The file is no SVG: '.
                    ($fault === false ? 'it is empty' : 'in line '.$fault->line.', '.lcfirst(trim($fault->message))).
                    '.',
            );
        }
        if ($root->localName !== 'svg') {
            throw new NoDrawing("Expected an SVG file; what this one holds is called “{$root->localName}”.");
        }

        return new self($root);
    }

    public function find(string $reference): ?\DOMElement
    {
        return str_starts_with($reference, '#') ? $this->byId[substr($reference, 1)] ?? null : null;
    }

    /** @throws NoDrawing */
    public static function holdDepth(int $depth): void
    {
        if ($depth > self::DEEPEST) {
            throw new NoDrawing('The file nests its groups more than '.self::DEEPEST.' deep.');
        }
    }
}
