<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

use Sabberworm\CSS\CSSList\AtRuleBlockList;
use Sabberworm\CSS\CSSList\Document as Sheet;
use Sabberworm\CSS\OutputFormat;
use Sabberworm\CSS\Parser;
use Sabberworm\CSS\Parsing\SourceException;
use Sabberworm\CSS\RuleSet\DeclarationBlock;
use Sabberworm\CSS\Settings;
use Symfony\Component\CssSelector\CssSelectorConverter;
use Symfony\Component\CssSelector\Exception\ExceptionInterface;

/**
 * The style sheets of a drawing, as far as they say how its elements look.
 *
 * Read by a library; which elements a selector means is asked of the tree (Selectors 3, W3C); which declaration wins is CSS 2.2, W3C, 6.4.
 */
final class StyleSheet
{
    /** Selectors times elements; more would take longer than anybody waits. */
    private const MOST_LOOKED = 20_000_000;

    /** @var array<int, array{\DOMElement, list<array{bool, int, int, array<string, string>}>}> whether important, specificity, order and declarations, by the element's number */
    private array $said = [];

    private int $count = 0;

    private readonly \DOMXPath $tree;

    private readonly CssSelectorConverter $selectors;

    public function __construct(private readonly \DOMElement $root, private readonly int $elements)
    {
        $this->tree = new \DOMXPath($root->ownerDocument ?? new \DOMDocument);
        $this->selectors = new CssSelectorConverter(html: false);
    }

    /** @return list<string> selectors and rules that are too much for it */
    public function read(string $text): array
    {
        $unread = [];
        foreach (self::parsed($text)?->getContents() ?? [] as $block) {
            if ($block instanceof AtRuleBlockList) {
                $unread[] = trim("@{$block->atRuleName()} {$block->atRuleArgs()}");
            }
            if (! $block instanceof DeclarationBlock) {
                continue;
            }
            $declared = self::said($block);
            foreach ($block->getSelectors() as $selector) {
                $name = trim($selector->getSelector());
                $meant = $this->meant($name);
                if ($meant === null) {
                    $unread[] = $name;
                }
                foreach ($meant ?? [] as $element) {
                    foreach ($declared as $isImportant => $those) {
                        $weight = [(bool) $isImportant, $selector->getSpecificity(), $this->count];
                        $this->said[spl_object_id($element)] ??= [$element, []];
                        $this->said[spl_object_id($element)][1][] = [...$weight, $those];
                    }
                }
                $this->count++;
            }
        }

        return $unread;
    }

    /** @return array<string, string> what is declared for an element, without what stands at it */
    public function of(\DOMElement $element): array
    {
        $said = $this->said[spl_object_id($element)][1] ?? [];
        usort($said, static fn (array $one, array $other): int => array_slice($one, 0, 3) <=> array_slice($other, 0, 3));

        return array_merge(...array_column($said, 3));
    }

    /** @return array<string, string> what an attribute `style` declares */
    public static function declarations(string $text): array
    {
        if (trim($text) === '') {
            return [];
        }
        /** @var array<string, array<string, string>> $known most elements of a drawing say one of a few */
        static $known = [];
        if (! isset($known[$text])) {
            $block = self::parsed("a{{$text}}")?->getContents()[0] ?? null;
            $declared = $block instanceof DeclarationBlock ? self::said($block) : [];
            $known = [...array_slice($known, -500), $text => array_merge(...array_values($declared))];
        }

        return $known[$text];
    }

    private static function parsed(string $text): ?Sheet
    {
        try {
            return (new Parser($text, Settings::create()->withMultibyteSupport(false)))->parse();
        } catch (SourceException) {
            return null;
        }
    }

    /** @return array<int, array<string, string>> by 0 for what is declared, and 1 for what is declared as important */
    private static function said(DeclarationBlock $block): array
    {
        $said = [];
        foreach ($block->getRules() as $rule) {
            $value = $rule->getValue();
            $text = is_object($value) ? $value->render(OutputFormat::createCompact()) : (string) $value;
            $text = (string) preg_replace('/url\((["\'])(.*?)\1\)/', 'url($2)', $text);
            if (trim($text) !== '') {
                $said[$rule->getIsImportant() ? 1 : 0][strtolower($rule->getRule())] = trim($text);
            }
        }
        ksort($said);

        return $said;
    }

    /** @return list<\DOMElement>|null null where the selector cannot be read, or there is too much to look through */
    private function meant(string $selector): ?array
    {
        if ($this->count * $this->elements > self::MOST_LOOKED) {
            return null;
        }
        try {
            $path = $this->selectors->toXPath($selector);
        } catch (ExceptionInterface) {
            return null;
        }
        // In whatever namespace they are.
        $path = (string) preg_replace('~(::|/)([a-zA-Z][\w-]*)(?=[\[/]|$)(?!::)~', "$1*[local-name()='$2']", $path);
        $found = @$this->tree->query($path, $this->root);
        if ($found === false) {
            return null;
        }
        $meant = [];
        foreach ($found as $node) {
            if ($node instanceof \DOMElement) {
                $meant[] = $node;
            }
        }

        return $meant;
    }
}
