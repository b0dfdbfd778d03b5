<?php

declare(strict_types=1);

namespace Sternbild\Core\Svg;

/** A simple style sheet: rules by type, class, id, and lists of these. CSS 2.2, W3C, sections 5 and 6.4. */
final class StyleSheet
{
    /** @var array<string, list<array{int, int, array<string, string>}>> specificity, order and declarations by selector */
    private array $rules = [];

    private int $count = 0;

    /** @return list<string> selectors that are too much for it */
    public function read(string $text): array
    {
        $text = (string) preg_replace('~/\*.*?\*/|<!--|-->~s', '', $text);
        $unread = [];
        preg_match_all('/([^{}]+)\{([^{}]*)\}/', $text, $found, PREG_SET_ORDER);
        foreach ($found as [, $selectors, $declarations]) {
            foreach (explode(',', $selectors) as $selector) {
                $selector = trim($selector);
                if (preg_match('/^(?:\*|[a-zA-Z][\w-]*)?(?:[.#][\w-]+)*$/D', $selector) !== 1 || $selector === '') {
                    $unread[] = $selector;

                    continue;
                }
                $weight = 100 * substr_count($selector, '#') + 10 * substr_count($selector, '.') + (ctype_alpha($selector[0]) ? 1 : 0);
                $this->rules[$selector][] = [$weight, $this->count++, self::declarations($declarations)];
            }
        }

        return $unread;
    }

    /** @return array<string, string> what is declared for an element, without what stands at it */
    public function of(\DOMElement $element): array
    {
        if ($this->rules === []) {
            return [];
        }
        $classes = preg_split('/\s+/', $element->getAttribute('class'), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $matching = [];
        foreach ($this->rules as $selector => $those) {
            if ($this->matches($selector, $element->localName ?? '', $element->getAttribute('id'), $classes)) {
                array_push($matching, ...$those);
            }
        }
        usort($matching, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return array_merge(...array_column($matching, 2));
    }

    /** @return array<string, string> */
    public static function declarations(string $text): array
    {
        $declared = [];
        foreach (explode(';', $text) as $declaration) {
            [$name, $value] = [...explode(':', $declaration, 2), ''];
            if (trim($value) !== '') {
                $declared[strtolower(trim($name))] = trim((string) preg_replace('/!\s*important/i', '', $value));
            }
        }

        return $declared;
    }

    /** @param  list<string>  $classes */
    private function matches(string $selector, string $type, string $id, array $classes): bool
    {
        preg_match_all('/[.#]?[\w*-]+/', $selector, $found);
        foreach ($found[0] as $part) {
            $holds = match ($part[0]) {
                '.' => in_array(substr($part, 1), $classes, true),
                '#' => substr($part, 1) === $id,
                default => $part === '*' || $part === $type,
            };
            if (! $holds) {
                return false;
            }
        }

        return true;
    }
}
