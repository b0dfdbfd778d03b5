<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;

/** Plans as JSON text, their keys in the order of the published format, so that equal plans are equal texts. */
final class PlanJson
{
    private const TOP = ['format', 'version', 'sheet', 'values', 'palette', 'chapters', 'given', 'steps'];

    private const SHEET = ['width', 'height', 'unit', 'background', 'checks'];

    private const STEP = ['id', 'kind', 'name', 'number', 'muted', 'hidden', 'fast', 'of', 'cells', 'center', 'origin'];

    /** @param  array<array-key, mixed>  $plan that PlanReader lets through */
    public static function pretty(array $plan): string
    {
        return json_encode(
            self::ordered($plan),
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
    }

    /** @param  array<array-key, mixed>  $plan that PlanReader lets through */
    public static function compact(array $plan): string
    {
        return json_encode(self::ordered($plan), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }

    /**
     * A plan that grows stays one that can be opened from its file. One that is too large already may shrink.
     *
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $after
     *
     * @throws Unusable
     */
    public static function holdGrowth(array $before, array $after): void
    {
        $bytes = strlen(self::pretty($after));
        if ($bytes > PlanReader::LARGEST_FILE && $bytes > strlen(self::pretty($before))) {
            throw PlanReader::tooLarge($bytes);
        }
    }

    /**
     * A plan with nothing on it.
     *
     * @param  array<string, string>  $palette
     * @return array<string, mixed>
     */
    public static function blank(float|int $width, float|int $height, string $unit, array $palette): array
    {
        return [
            'format' => PlanReader::FORMAT,
            'version' => PlanReader::VERSION,
            'sheet' => ['width' => $width, 'height' => $height, 'unit' => $unit, 'background' => null],
            'values' => [],
            'palette' => $palette,
            'steps' => [],
        ];
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    public static function ordered(array $plan): array
    {
        $plan += ['values' => [], 'palette' => []];
        $plan['sheet'] = self::sorted(is_array($plan['sheet'] ?? null) ? $plan['sheet'] : [], self::SHEET);
        foreach (['values', 'palette'] as $map) {
            $named = is_array($plan[$map]) ? $plan[$map] : [];
            $plan[$map] = (object) ($map === 'palette' ? self::fromDarkToLight($named) : $named);
        }
        $plan['steps'] = array_map(
            static fn (mixed $step): mixed => is_array($step) ? self::sorted($step, self::STEP) : $step,
            is_array($plan['steps'] ?? null) ? $plan['steps'] : [],
        );

        return self::sorted($plan, self::TOP);
    }

    /**
     * Colours in the order of their luma (ITU-R BT.601 weights), which is how designers lay out a palette.
     *
     * @param  array<array-key, mixed>  $palette
     * @return array<array-key, mixed>
     */
    private static function fromDarkToLight(array $palette): array
    {
        $luma = static function (int|string $name) use ($palette): float {
            $value = (int) hexdec(substr(is_string($palette[$name]) ? $palette[$name] : '', 1));

            return 0.299 * ($value >> 16 & 255) + 0.587 * ($value >> 8 & 255) + 0.114 * ($value & 255);
        };
        uksort($palette, static fn (int|string $a, int|string $b): int => [$luma($a), $a] <=> [$luma($b), $b]);

        return $palette;
    }

    /**
     * @param  array<array-key, mixed>  $map
     * @param  list<string>  $first
     * @return array<array-key, mixed>
     */
    private static function sorted(array $map, array $first): array
    {
        $rank = array_flip($first);
        uksort($map, static fn (int|string $a, int|string $b): int => [$rank[$a] ?? 99, $a] <=> [$rank[$b] ?? 99, $b]);

        return $map;
    }
}
