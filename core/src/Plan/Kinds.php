<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** All kinds of steps, in the order in which the interface offers them. */
final readonly class Kinds
{
    /**
     * @param  array<string, Kind>  $kinds by name
     * @param  Pictures|null  $pictures  where those are that their steps name
     */
    private function __construct(private array $kinds, public ?Pictures $pictures = null)
    {
    }

    public function withPictures(Pictures $pictures): self
    {
        return new self($this->kinds, $pictures);
    }

    public static function all(): self
    {
        $kinds = [];
        foreach ([
            new Kind\Grid\PolarGridKind,
            new Kind\Grid\RectangularGridKind,
            new Kind\Grid\TwoAxisGridKind,
            new Kind\Grid\TriangularGridKind,
            new Kind\Grid\GoldenGridKind,
            new Kind\Grid\PixelGridKind,
            new Kind\Guide\GuideLineKind,
            new Kind\Guide\GuideCircleKind,
            new Kind\Guide\GuideArcKind,
            new Kind\Guide\RunKind,
            new Kind\Guide\SpiralKind,
            new Kind\Guide\LettersKind,
            new Kind\Guide\ClearSpaceKind,
            new Kind\Part\PartFromCellsKind,
            new Kind\Look\StyleKind,
            new Kind\Copy\RepeatAroundKind,
            new Kind\Look\OrderKind,
            new Kind\Guide\OverlayKind,
            new Kind\Part\OutlineKind,
            new Kind\Part\SvgKind,
            new Kind\Part\CirclePartKind,
            new Kind\Part\EllipseKind,
            new Kind\Part\RectangleKind,
            new Kind\Part\PolygonKind,
            new Kind\Part\PieceKind,
            new Kind\Combine\JoinKind,
            new Kind\Combine\CutKind,
            new Kind\Combine\CommonKind,
            new Kind\Combine\EitherKind,
            new Kind\Combine\SplitKind,
            new Kind\Weave\WeaveKind,
            new Kind\Weave\ShadeKind,
            new Kind\Pattern\PatternKind,
            new Kind\Pattern\FriezeKind,
            new Kind\Form\InscribedKind,
            new Kind\Form\InsetKind,
            new Kind\Form\GapKind,
            new Kind\Form\RoundKind,
            new Kind\Form\BandKind,
            new Kind\Form\BetweenKind,
            new Kind\Motif\MotifKind,
            new Kind\Motif\PlaceKind,
            new Kind\Measure\DistanceKind,
            new Kind\Measure\AngleKind,
            new Kind\Measure\WidthKind,
            new Kind\Measure\LengthKind,
            new Kind\Place\MoveKind,
            new Kind\Place\TurnKind,
            new Kind\Place\MirrorKind,
            new Kind\Place\ResizeKind,
            new Kind\Place\OntoKind,
            new Kind\Pixel\PaintKind,
            new Kind\Pixel\DotsKind,
            new Kind\Pixel\DitherKind,
            new Kind\Pixel\FramesKind,
            new Kind\Pixel\BlockKind,
            new Kind\Pixel\SpeckleKind,
            new Kind\Pixel\PictureKind,
            new Kind\Pixel\SampleKind,
            new Kind\Copy\RepeatAlongKind,
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
            'makes' => $kind->makes()->value,
            'fields' => array_map(static fn (Field\Field $field): array => $field->describe(), $kind->fields()),
            'offers' => array_map(static fn (Offer $offer): array => $offer->describe(), $kind->offers()),
        ], $this->list());
    }
}
