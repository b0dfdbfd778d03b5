<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** All kinds of steps, in the order in which the interface offers them. */
final readonly class Kinds
{
    /** @param  array<string, Kind>  $kinds by name */
    private function __construct(private array $kinds)
    {
    }

    public static function all(): self
    {
        $kinds = [];
        foreach ([
            new Kind\PolarGridKind,
            new Kind\RectangularGridKind,
            new Kind\TwoAxisGridKind,
            new Kind\TriangularGridKind,
            new Kind\GoldenGridKind,
            new Kind\PixelGridKind,
            new Kind\GuideLineKind,
            new Kind\GuideCircleKind,
            new Kind\GuideArcKind,
            new Kind\OverlayKind,
            new Kind\PartFromCellsKind,
            new Kind\StyleKind,
            new Kind\RepeatAroundKind,
            new Kind\OrderKind,
        ] as $kind) {
            $kinds[$kind->name()] = $kind;
        }

        return new self($kinds);
    }

    public function get(string $name): ?Kind
    {
        return $this->kinds[$name] ?? null;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->kinds);
    }

    /** @return list<Kind> */
    public function list(): array
    {
        return array_values($this->kinds);
    }

    /**
     * What the interface has to know of every kind.
     *
     * @return list<array<string, mixed>>
     */
    public function describe(): array
    {
        return array_map(static fn (Kind $kind): array => [
            'kind' => $kind->name(),
            'label' => $kind->label(),
            'chapter' => $kind->chapter()->value,
            'fields' => array_map(static fn (Field\Field $field): array => $field->describe(), $kind->fields()),
            'offers' => array_map(static fn (Offer $offer): array => [...get_object_vars($offer), 'preset' => (object) $offer->preset], $kind->offers()),
        ], $this->list());
    }
}
