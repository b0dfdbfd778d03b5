<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Grid\FineGrid;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/** Cells by the colour that they are painted in: `{"lagoon": "3,4 5,4+6"}`, of which the second is that cell and six more along the first coordinate; on golden grids an address is one number. */
final class PaintedCellsField extends Field
{
    public function __construct(string $name, string $label)
    {
        parent::__construct($name, $label, true);
    }

    public function type(): string
    {
        return 'painted';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw) || $raw === [] || array_is_list($raw)) {
            throw Unusable::at($pointer, 'cells by colour, such as {"lagoon": "3,4 5,4+6"}');
        }
        $cells = 0;
        foreach ($raw as $colour => $text) {
            $this->colour()->check((string) $colour, "$pointer/$colour");
            if (! is_string($text)) {
                throw Unusable::at("$pointer/$colour", 'addresses of cells with blanks between, such as "3,4 5,4+6"');
            }
            // What is left of it when all addresses are taken out is none.
            $left = self::words((string) preg_replace('/(?<!\S)\d{1,6}(?:,\d{1,6})?(?:\+\d{1,6})?(?!\S)/', '', $text));
            if ($left !== []) {
                throw Unusable::at("$pointer/$colour", "addresses of cells with blanks between, such as \"3,4 5,4+6\"; “{$left[0]}” is none");
            }
            $cells += self::count($text);
        }
        if ($cells > FineGrid::MOST_CELLS) {
            throw Unusable::at($pointer, 'at most '.FineGrid::MOST_CELLS.' cells');
        }
    }

    /** @return list<array{string, string, string}> name of the colour, #rrggbb or none, and the addresses */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $painted = [];
        foreach (is_array($raw) ? $raw : [] as $colour => $text) {
            $painted[] = [(string) $colour, $this->colour()->resolve((string) $colour, $scope), is_string($text) ? $text : ''];
        }

        return $painted;
    }

    /** @return array<string, string> what is written, addresses by colour */
    public static function written(mixed $raw): array
    {
        return array_filter(is_array($raw) ? $raw : [], is_string(...));
    }

    /** @return list<array{int, int, int}> the first cell of each run, its second number 0 where its address has only one, and how many follow it */
    public static function runs(string $text): array
    {
        preg_match_all('/(\d{1,6})(?:,(\d{1,6}))?(?:\+(\d{1,6}))?/', $text, $found);
        $runs = [];
        foreach ($found[1] as $number => $first) {
            $runs[] = [(int) $first, (int) $found[2][$number], (int) $found[3][$number]];
        }

        return $runs;
    }

    /** How many cells are written. */
    private static function count(string $text): int
    {
        preg_match_all('/\+(\d{1,6})/', $text, $more);

        return count(self::words($text)) + (int) array_sum($more[1]);
    }

    public function recoloured(mixed $raw, string $from, string $to): mixed
    {
        $recoloured = [];
        foreach (is_array($raw) ? $raw : [] as $colour => $text) {
            $name = (string) $colour === $from ? $to : (string) $colour;
            $recoloured[$name] = isset($recoloured[$name]) && is_string($text) ? "$recoloured[$name] $text" : $text;
        }

        return $recoloured;
    }

    /** @return array<string, string> */
    public function sample(Sampling $lot): array
    {
        return ['lagoon' => $lot->whole(1, 6).','.$lot->whole(1, 12), $lot->one(['ink', 'none', '#abc123']) => $lot->whole(1, 6).','.$lot->whole(1, 6).'+'.$lot->whole(0, 5)];
    }

    protected function given(): string
    {
        return 'the cells by their colours; painted on the sheet';
    }

    public function schema(): array
    {
        return ['type' => 'object', 'minProperties' => 1, 'additionalProperties' => ['type' => 'string']];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        $cells = 0;
        $colours = is_array($raw) ? array_map(strval(...), array_keys($raw)) : [];
        foreach (is_array($raw) ? $raw : [] as $text) {
            $cells += is_string($text) ? self::count($text) : 0;
        }

        return $cells.($cells === 1 ? ' cell' : ' cells').' in '.implode(', ', array_slice($colours, 0, 4)).(count($colours) > 4 ? ' and '.(count($colours) - 4).' more' : '');
    }

    /** @return list<string> */
    private static function words(string $text): array
    {
        return preg_split('/\s+/', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }

    private function colour(): ColourField
    {
        return new ColourField($this->name, $this->label);
    }
}
