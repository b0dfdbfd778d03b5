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

/** The style sheets of a drawing, as far as they say how its elements look; which declaration wins is CSS 2.2, W3C, 6.4. */
final class StyleSheet
{
    /** Elements that are looked at, those around others among them; more would take longer than anybody waits. */
    private const MOST_LOOKED = 1_000_000;

    /** Different texts of attributes that are known at once: most elements of a drawing say one of a few. */
    private const MOST_KNOWN = 500;

    /**
     * By what an element has to have: whom a rule means, its specificity, its number, and what it declares, by 1 where that is important.
     *
     * @var array<string, list<array{Selects, int, int, array<int, array<string, string>>}>>
     */
    private array $rules = [];

    /** @var array<string, array<int, array<string, string>>> what attributes `style` declare */
    private array $known = [];

    private int $count = 0;

    private int $looked = 0;

    /** @return list<string> selectors and rules that are too much for it */
    public function read(string $text): array
    {
        $sheet = self::parsed($text);
        $unread = $sheet === null && trim($text) !== '' ? ['what it says'] : [];
        foreach ($sheet?->getContents() ?? [] as $block) {
            if ($block instanceof AtRuleBlockList) {
                $unread[] = trim("@{$block->atRuleName()} {$block->atRuleArgs()}");
            }
            if (! $block instanceof DeclarationBlock) {
                continue;
            }
            $declared = self::said($block);
            foreach ($block->getSelectors() as $selector) {
                $selects = Selects::by($selector);
                if ($selects === null) {
                    $unread[] = Selects::name($selector);
                } else {
                    $this->rules[$selects->key()][] = [$selects, $selector->getSpecificity(), $this->count++, $declared];
                }
            }
        }

        return $unread;
    }

    /**
     * @return array<string, string> what is declared for an element, by style sheets and at itself
     *
     * @throws NoDrawing where there are too many rules for too many elements
     */
    public function of(\DOMElement $element): array
    {
        $style = trim($element->getAttribute('style'));
        // What is important goes behind what is not, what stands at the element behind what does not.
        $said = [];
        foreach ($style === '' ? [] : $this->atElement($style) as $isImportant => $declared) {
            $said[] = [$isImportant, 1, 0, 0, $declared];
        }
        foreach ($this->rules === [] ? [] : Selects::keysOf($element) as $key) {
            foreach ($this->rules[$key] ?? [] as [$selects, $specificity, $number, $declared]) {
                foreach ($selects->means($element, $this->look(...)) ? $declared : [] as $isImportant => $those) {
                    $said[] = [$isImportant, 0, $specificity, $number, $those];
                }
            }
        }
        usort($said, static fn (array $one, array $other): int => array_slice($one, 0, 4) <=> array_slice($other, 0, 4));

        return array_merge(...array_column($said, 4));
    }

    /** @throws NoDrawing */
    private function look(): void
    {
        if (++$this->looked > self::MOST_LOOKED) {
            throw new NoDrawing('The file has more rules in its style sheets, for more elements, than there is time to look through.');
        }
    }

    /** @return array<int, array<string, string>> */
    private function atElement(string $style): array
    {
        if (! isset($this->known["style $style"])) {
            $block = self::parsed("a{{$style}}")?->getContents()[0] ?? null;
            $this->known = count($this->known) < self::MOST_KNOWN ? $this->known : [];
            $this->known["style $style"] = $block instanceof DeclarationBlock ? self::said($block) : [];
        }

        return $this->known["style $style"];
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
}
