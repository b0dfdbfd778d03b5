<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Grid\FineGrid;
use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\HeldAddress;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;

/**
 * Cells by the colour that they are painted in: `{"lagoon": "3,4 5,4+6"}`, of which the second is that cell and six more along the first
 * coordinate; on golden grids an address is one number, on overlays it is what stands behind `~`.
 */
final class PaintedCellsField extends Field
{
    private const RUN = '(\d{1,6})(?:,(\d{1,6}))?(?:\+(\d{1,6}))?';

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
            $wrong = array_filter(
                self::others($text),
                static fn (string $word): bool => preg_match('/^'.HeldAddress::PATTERN.'$/D', $word) !== 1,
            );
            if ($wrong !== []) {
                throw Unusable::at(
                    "$pointer/$colour",
                    'addresses of cells with blanks between, such as "3,4 5,4+6"; “'.current($wrong).'” is none',
                );
            }
            $cells += self::count($text);
        }
        if ($cells > FineGrid::MOST_CELLS) {
            throw Unusable::at($pointer, 'at most '.FineGrid::MOST_CELLS.' cells');
        }
    }

    /**
     * @return list<array{string, string, string, list<HeldAddress>}> name of the colour, #rrggbb or none, the addresses, and those of an
     *   overlay
     */
    public function resolve(mixed $raw, Scope $scope): array
    {
        $painted = $lost = [];
        foreach (is_array($raw) ? $raw : [] as $colour => $text) {
            $text = is_string($text) ? $text : '';
            $held = [];
            foreach (self::others($text) as $word) {
                try {
                    $held[] = HeldAddress::read($word, $scope, $this->name);
                } catch (FieldFault $fault) {
                    $lost[$fault->getMessage()] = ($lost[$fault->getMessage()] ?? 0) + 1;
                }
            }
            $painted[] = [(string) $colour, $this->colour()->resolve((string) $colour, $scope), $text, $held];
        }
        foreach ($lost as $why => $count) {
            $scope->warn($this->name, 'lost-cells', "$count ".($count === 1 ? 'cell is' : 'cells are')." lost: $why");
        }

        return $painted;
    }

    /** @return array<string, string> what is written, addresses by colour */
    public static function written(mixed $raw): array
    {
        return array_filter(is_array($raw) ? $raw : [], is_string(...));
    }

    /**
     * @return list<array{int, int, int}> the first cell of each run, its second number 0 where its address has only one, and how many
     *   follow it
     */
    public static function runs(string $text): array
    {
        preg_match_all('/(?<!\S)'.self::RUN.'(?!\S)/', $text, $found);
        $runs = [];
        foreach ($found[1] as $number => $first) {
            $runs[] = [(int) $first, (int) $found[2][$number], (int) $found[3][$number]];
        }

        return $runs;
    }

    /** @return list<string> the words that are no runs: addresses of cells of an overlay */
    public static function others(string $text): array
    {
        // Most texts are long and have none.
        return self::words((string) preg_replace('/(?<!\S)'.self::RUN.'(?!\S)/', '', $text));
    }

    /** How many cells are written. */
    private static function count(string $text): int
    {
        preg_match_all('/\+(\d{1,6})(?!\S)/', $text, $more);

        return count(self::words($text)) + (int) array_sum($more[1]);
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach (self::written($raw) as $text) {
            array_push($ids, ...array_merge(...array_map(Address::idsIn(...), self::others($text))));
        }

        return array_values(array_unique($ids));
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        return is_array($raw)
            ? array_map(static fn (mixed $text): mixed => is_string($text) ? Address::renamed($text, $new) : $text, $raw)
            : $raw;
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
        return [
            'lagoon' => $lot->whole(1, 6).','.$lot->whole(1, 12),
            $lot->one(['ink', 'none', '#abc123']) => $lot->whole(1, 6).','.$lot->whole(1, 6).'+'.$lot->whole(0, 5),
        ];
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

        return $cells.
            ($cells === 1 ? ' cell' : ' cells').
            ' in '.
            implode(', ', array_slice($colours, 0, 4)).
            (count($colours) > 4 ? ' and '.(count($colours) - 4).' more' : '');
    }

    /** @return list<string> */
    public static function words(string $text): array
    {
        return preg_split('/\s+/', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }

    private function colour(): ColourField
    {
        return new ColourField($this->name, $this->label);
    }
}
