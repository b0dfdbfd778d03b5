<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sabberworm\CSS\OutputFormat;
use Sabberworm\CSS\Property\Selector;
use Sabberworm\CSS\Property\Selector\Combinator;

/**
 * Which elements a selector means: types, classes and ids, in one another or right in one another (Selectors 3, W3C, 6 and 8). Siblings
 * and positions are not asked for: among many of them that takes as many looks as there are pairs.
 */
final readonly class Selects
{
    private const COMPOUND = '/^(\*|[a-zA-Z][\w-]*)?((?:[.#][\w-]+)*)$/D';

    /**
     * @param  non-empty-list<array{type: string, ids: list<string>, classes: list<string>}>  $compounds  from the outermost on
     * @param  list<bool>  $isChild  for each but the first whether it lies right in the one before
     */
    private function __construct(private array $compounds, private array $isChild)
    {
    }

    /** @return self|null null where it is more than that */
    public static function by(Selector $selector): ?self
    {
        $compounds = $isChild = [];
        foreach ($selector->getComponents() as $component) {
            $text = trim($component->getValue());
            if ($component instanceof Combinator) {
                if ($text !== '' && $text !== '>') {
                    return null;
                }
                $isChild[] = $text === '>';
            } elseif ($text === '' || preg_match(self::COMPOUND, $text, $found) !== 1) {
                return null;
            } else {
                preg_match_all('/([.#])([\w-]+)/', $found[2], $parts, PREG_SET_ORDER);
                $compounds[] = [
                    'type' => $found[1] === '*' ? '' : $found[1],
                    'ids' => array_column(array_filter($parts, static fn (array $part): bool => $part[1] === '#'), 2),
                    'classes' => array_column(array_filter($parts, static fn (array $part): bool => $part[1] === '.'), 2),
                ];
            }
        }

        return $compounds === [] ? null : new self($compounds, $isChild);
    }

    public static function name(Selector $selector): string
    {
        return $selector->render(OutputFormat::create());
    }

    /** What an element has to have for it to be looked at closely: `#id`, `.class`, a type, or `*` for any. */
    public function key(): string
    {
        $last = $this->compounds[count($this->compounds) - 1];

        return match (true) {
            $last['ids'] !== [] => "#{$last['ids'][0]}",
            $last['classes'] !== [] => ".{$last['classes'][0]}",
            default => $last['type'] ?: '*',
        };
    }

    /** @param  callable(): void  $look  told of each element that is looked at */
    public function means(\DOMElement $element, callable $look, ?int $number = null): bool
    {
        $number ??= count($this->compounds) - 1;
        $look();
        if (! self::fits($this->compounds[$number], $element)) {
            return false;
        }
        for ($around = $element->parentNode; $number > 0 && $around instanceof \DOMElement; $around = $around->parentNode) {
            if ($this->means($around, $look, $number - 1)) {
                return true;
            }
            if ($this->isChild[$number - 1]) {
                return false;
            }
        }

        return $number === 0;
    }

    /** @return list<string> all keys of selectors that may mean an element */
    public static function keysOf(\DOMElement $element): array
    {
        $classes = preg_split('/\s+/', $element->getAttribute('class'), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return [
            '*',
            (string) $element->localName,
            "#{$element->getAttribute('id')}",
            ...array_map(static fn (string $class): string => ".$class", array_unique($classes)),
        ];
    }

    /** @param  array{type: string, ids: list<string>, classes: list<string>}  $compound */
    private static function fits(array $compound, \DOMElement $element): bool
    {
        if (($compound['type'] !== '' && $compound['type'] !== $element->localName) ||
            ($compound['ids'] !== [] && array_diff($compound['ids'], [$element->getAttribute('id')]) !== [])) {
            return false;
        }
        $classes = $compound['classes'] === [] ? '' : ' '.strtr($element->getAttribute('class'), "\t\n\r\f", '    ').' ';
        foreach ($compound['classes'] as $class) {
            if (! str_contains($classes, " $class ")) {
                return false;
            }
        }

        return true;
    }
}
