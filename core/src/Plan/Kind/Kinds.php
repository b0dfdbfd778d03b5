<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind;

use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Combine\CommonKind;
use Sternbild\Core\Plan\Kind\Combine\CutKind;
use Sternbild\Core\Plan\Kind\Combine\EitherKind;
use Sternbild\Core\Plan\Kind\Combine\JoinKind;
use Sternbild\Core\Plan\Kind\Combine\SplitKind;
use Sternbild\Core\Plan\Kind\Copy\RepeatAlongKind;
use Sternbild\Core\Plan\Kind\Copy\RepeatAroundKind;
use Sternbild\Core\Plan\Kind\Form\BandKind;
use Sternbild\Core\Plan\Kind\Form\BetweenKind;
use Sternbild\Core\Plan\Kind\Form\GapKind;
use Sternbild\Core\Plan\Kind\Form\InscribedKind;
use Sternbild\Core\Plan\Kind\Form\InsetKind;
use Sternbild\Core\Plan\Kind\Form\RoundKind;
use Sternbild\Core\Plan\Kind\Grid\GoldenGridKind;
use Sternbild\Core\Plan\Kind\Grid\PixelGridKind;
use Sternbild\Core\Plan\Kind\Grid\PolarGridKind;
use Sternbild\Core\Plan\Kind\Grid\RectangularGridKind;
use Sternbild\Core\Plan\Kind\Grid\TriangularGridKind;
use Sternbild\Core\Plan\Kind\Grid\TwoAxisGridKind;
use Sternbild\Core\Plan\Kind\Guide\ClearSpaceKind;
use Sternbild\Core\Plan\Kind\Guide\GuideArcKind;
use Sternbild\Core\Plan\Kind\Guide\GuideCircleKind;
use Sternbild\Core\Plan\Kind\Guide\GuideLineKind;
use Sternbild\Core\Plan\Kind\Guide\LettersKind;
use Sternbild\Core\Plan\Kind\Guide\OverlayKind;
use Sternbild\Core\Plan\Kind\Guide\RunKind;
use Sternbild\Core\Plan\Kind\Guide\SpiralKind;
use Sternbild\Core\Plan\Kind\Look\OrderKind;
use Sternbild\Core\Plan\Kind\Look\StyleKind;
use Sternbild\Core\Plan\Kind\Measure\AngleKind;
use Sternbild\Core\Plan\Kind\Measure\DistanceKind;
use Sternbild\Core\Plan\Kind\Measure\LengthKind;
use Sternbild\Core\Plan\Kind\Measure\WidthKind;
use Sternbild\Core\Plan\Kind\Motif\MotifKind;
use Sternbild\Core\Plan\Kind\Motif\PlaceKind;
use Sternbild\Core\Plan\Kind\Part\CirclePartKind;
use Sternbild\Core\Plan\Kind\Part\EllipseKind;
use Sternbild\Core\Plan\Kind\Part\OutlineKind;
use Sternbild\Core\Plan\Kind\Part\PartFromCellsKind;
use Sternbild\Core\Plan\Kind\Part\PieceKind;
use Sternbild\Core\Plan\Kind\Part\PolygonKind;
use Sternbild\Core\Plan\Kind\Part\RectangleKind;
use Sternbild\Core\Plan\Kind\Part\SvgKind;
use Sternbild\Core\Plan\Kind\Pattern\FriezeKind;
use Sternbild\Core\Plan\Kind\Pattern\PatternKind;
use Sternbild\Core\Plan\Kind\Pixel\BlockKind;
use Sternbild\Core\Plan\Kind\Pixel\DitherKind;
use Sternbild\Core\Plan\Kind\Pixel\DotsKind;
use Sternbild\Core\Plan\Kind\Pixel\FramesKind;
use Sternbild\Core\Plan\Kind\Pixel\PaintKind;
use Sternbild\Core\Plan\Kind\Pixel\PictureKind;
use Sternbild\Core\Plan\Kind\Pixel\SampleKind;
use Sternbild\Core\Plan\Kind\Pixel\SpeckleKind;
use Sternbild\Core\Plan\Kind\Place\MirrorKind;
use Sternbild\Core\Plan\Kind\Place\MoveKind;
use Sternbild\Core\Plan\Kind\Place\OntoKind;
use Sternbild\Core\Plan\Kind\Place\ResizeKind;
use Sternbild\Core\Plan\Kind\Place\TurnKind;
use Sternbild\Core\Plan\Kind\Weave\ShadeKind;
use Sternbild\Core\Plan\Kind\Weave\WeaveKind;
use Sternbild\Core\Plan\Pictures;

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
            new PolarGridKind,
            new RectangularGridKind,
            new TwoAxisGridKind,
            new TriangularGridKind,
            new GoldenGridKind,
            new PixelGridKind,
            new GuideLineKind,
            new GuideCircleKind,
            new GuideArcKind,
            new RunKind,
            new SpiralKind,
            new LettersKind,
            new ClearSpaceKind,
            new PartFromCellsKind,
            new StyleKind,
            new RepeatAroundKind,
            new OrderKind,
            new OverlayKind,
            new OutlineKind,
            new SvgKind,
            new CirclePartKind,
            new EllipseKind,
            new RectangleKind,
            new PolygonKind,
            new PieceKind,
            new JoinKind,
            new CutKind,
            new CommonKind,
            new EitherKind,
            new SplitKind,
            new WeaveKind,
            new ShadeKind,
            new PatternKind,
            new FriezeKind,
            new InscribedKind,
            new InsetKind,
            new GapKind,
            new RoundKind,
            new BandKind,
            new BetweenKind,
            new MotifKind,
            new PlaceKind,
            new DistanceKind,
            new AngleKind,
            new WidthKind,
            new LengthKind,
            new MoveKind,
            new TurnKind,
            new MirrorKind,
            new ResizeKind,
            new OntoKind,
            new PaintKind,
            new DotsKind,
            new DitherKind,
            new FramesKind,
            new BlockKind,
            new SpeckleKind,
            new PictureKind,
            new SampleKind,
            new RepeatAlongKind,
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
}
