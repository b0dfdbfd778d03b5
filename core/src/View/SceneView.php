<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PathData;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Plan\Asking;
use Sternbild\Core\Plan\CellDomain;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Kind\Pixel\FramesKind;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Reading\SheetProperties;
use Sternbild\Core\Plan\Section;
use Sternbild\Core\Plan\Sector;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Measured;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Seam\Stroke;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;

/** A scene as the interface gets it: sentences, geometry to draw and to pick from, findings. */
final readonly class SceneView
{
    /** Of one field. */
    private const MOST_PLACES = 200;

    /** Of the hash of a geometry: 64 bits, as many as of all others. */
    private const DIGITS = 16;

    private PathData $paths;

    private Looks $looks;

    private PartView $parts;

    private TilingView $tilings;

    /**
     * @var array<string, array{Part, string}> what is drawn of painted cells that others were painted over, and what tells it from the
     *   whole
     */
    private array $left;

    private function __construct(private Scene $scene, private ?Asking $asking)
    {
        $left = [];
        foreach ($scene->drawing as $drawn) {
            $whole = $scene->known[$drawn->id]->result;
            if ($drawn->part->painted !== null && $drawn->part !== $whole) {
                $left[$drawn->id] = [$drawn->part, '-'.hash('xxh32', implode(' ', array_keys($drawn->part->painted->cells)))];
            }
        }
        $this->left = $left;
        $decimals = $scene->plan->tolerance()->decimals;
        $this->paths = new PathData($decimals);
        $this->looks = new Looks($this->paths, $decimals);
        $this->parts = new PartView($scene->known, $decimals);
        $this->tilings = new TilingView($decimals);
    }

    /**
     * Every sentence, look and geometry has a hash. What the receiver has already is said by its number in the list of that, or left out.
     *
     * @param  array<array-key, mixed>  $has  hashes of what the receiver has
     * @param  array<array-key, mixed>|null  $handles  ids of the steps whose handles are wanted; null for all
     * @param  Asking|null  $asking  what of steps is asked for, and said though it is as usual
     * @return array<string, mixed>
     */
    public static function describe(Scene $scene, array $has, ?array $handles = null, ?Asking $asking = null): array
    {
        return (new self($scene, $asking))->view(
            array_flip(array_filter($has, is_string(...))),
            $handles === null ? null : array_flip(array_filter($handles, is_string(...))),
        );
    }

    /**
     * The numbers that a sentence shows: those of places only where they are worked out, since an address stays the same wherever it lies.
     *
     * @return array<string, float>
     */
    private static function shownNumbers(Step $step, Evaluated $known): array
    {
        return array_filter($known->numbers, static function (string $name) use ($step, $known): bool {
            if (preg_match('/^(.+?)(?:\.(\d+))?\.\d$/', $name, $found) !== 1 || ! isset($known->places[$found[1]])) {
                return true;
            }
            $raw = $step->raw($found[1]);
            $raw = ($found[2] ?? '') === '' || ! is_array($raw) ? $raw : $raw[(int) $found[2]] ?? null;

            return is_array($raw) && array_filter($raw, is_string(...)) !== [];
        }, ARRAY_FILTER_USE_KEY);
    }

    /** Nodes of painted cells from which on they are drawn as a picture; the browser does so from there on, too. */
    private const MOST_OUTLINED = 2400;

    /** Runs of a line that its sentence tells. */
    private const MOST_RUNS = 40;

    /** Whether a part is drawn outline by outline on the screen: painted cells by the hundred are a picture there, which has no seams. */
    private function isOutlined(string $id): bool
    {
        $part = ($this->scene->known[$id] ?? null)?->result;

        return ! $part instanceof Part || $part->painted === null || $part->nodes() < self::MOST_OUTLINED;
    }

    /** Under which the handles of a step are listed, beside its geometry. */
    private static function handlesKey(string $hash): string
    {
        return "handles-$hash";
    }

    /**
     * @param  array<string, int>  $has
     * @param  array<string, int>|null  $only
     * @return array<string, mixed>
     */
    private function view(array $has, ?array $only): array
    {
        $plan = $this->scene->plan;
        $looks = array_map(function (DrawnPart $drawn): array {
            $look = $this->looks->of($drawn);

            return [self::hashOf($look), $look];
        }, $this->scene->drawing);
        $geometry = [];
        foreach ($this->scene->known as $known) {
            $hash = $this->hash($known);
            $handles = self::handlesKey($hash);
            if (! isset($has[$handles]) && ($only === null || isset($only[$known->id]))) {
                $pulls = $known->pulls();
                if ($known->places !== [] || $pulls !== []) {
                    $geometry[$handles] = ['at' => (object) $this->places($known), 'pulls' => array_map($this->pull(...), $pulls)];
                }
            }
            if ($known->result instanceof Part && ! isset($has[$hash])) {
                $geometry[$hash] = $this->parts->of($this->left[$known->id][0] ?? $known->result);
            }
            if ($known->result instanceof Guide && ! isset($has[$hash])) {
                $geometry[$hash] = $this->guide($known->result, $plan->steps[$known->id]->kind->copyNames());
            }
            if ($known->result instanceof PlacedPicture && ! isset($has[$hash])) {
                $geometry[$hash] = self::picture($known->result);
            }
            if ($known->result instanceof Measurement && ! isset($has[$hash])) {
                $geometry[$hash] = $this->measurement($known->result);
            }
            if (
                $known->result instanceof Tiling &&
                ! isset($has[$hash]) &&
                ! ($known->result instanceof Overlay && $known->result->cellCount() > Overlay::MOST_PICKED)
            ) {
                $geometry[$hash] = $this->tilings->places($known->result);
                $key = $known->result->topologyKey();
                if (! isset($has[$key])) {
                    $geometry[$key] ??= TilingView::topology($known->result);
                }
            }
        }

        return [
            'sheet' => [
                'width' => $plan->width,
                'height' => $plan->height,
                'unit' => $plan->unit->value,
                'background' => $this->scene->background(),
            ],
            'said' => self::once(SheetProperties::sentences($plan), $has),
            'values' => (object) $plan->values->all(),
            'chapters' => array_map(static fn (Section $section): array => get_object_vars($section), $plan->sections()),
            'steps' => $this->steps($has),
            'geometries' => array_map(
                fn (Step $step): int|string|null => $has[$this->geometryOf($step) ?? ''] ?? $this->geometryOf($step),
                array_values($plan->steps),
            ),
            'drawing' => array_map(static fn (array $look): array|int => self::told($look, $has), $looks),
            'seams' => $this->seams($looks, $has),
            'cells' => array_map(
                fn (DrawnPart $drawn): array|int => self::once($this->looks->of($drawn), $has),
                array_values($this->scene->cells),
            ),
            'inside' => array_map(fn (DrawnPart $drawn): array|int => self::once($this->looks->of($drawn), $has), $this->scene->inside),
            'geometry' => (object) $geometry,
            'findings' => $this->scene->findings,
        ];
    }

    /**
     * @param  array<string, int>  $has
     * @return list<array<string, mixed>|int>
     */
    private function steps(array $has): array
    {
        $plan = $this->scene->plan;
        // What every sentence may hang on, wherever it stands.
        $around = json_encode(
            [
                $plan->width, $plan->height, $plan->unit, $plan->tolerance()->decimals, $plan->values->all(), $plan->palette,
                $this->scene->labels, $this->asking === null ? null : $this->asking::class,
            ],
            JSON_THROW_ON_ERROR,
        );
        $around = hash('xxh128', $around);

        return array_map(
            fn (Step $step): array|int => $this->kept($this->printOf($step, $around), fn (): array => $this->step($step), $has),
            array_values($plan->steps),
        );
    }

    /** What the sentence of a step hangs on. */
    private function printOf(Step $step, string $around): string
    {
        $known = $this->scene->known[$step->id] ?? null;
        $print = [
            $around, $step->id, $step->kind->name(), $step->name, $step->muted, $step->hidden, $step->parameters, $step->fast,
            isset($this->scene->usedUp[$step->id]), $known?->hash, $known?->numbers,
        ];

        return 'step '.hash('xxh128', json_encode($print, JSON_THROW_ON_ERROR));
    }

    /**
     * @param  list<array{string, array<string, mixed>}>  $looks  of all that is drawn, each with its hash
     * @param  array<string, int>  $has
     * @return array<string, mixed>|int
     */
    private function seams(array $looks, array $has): array|int
    {
        $plan = $this->scene->plan;
        $print = [$plan->width, $plan->height, $plan->unit, $plan->tolerance()->decimals, $plan->seamsOpen()];
        foreach ($this->scene->drawing as $k => $drawn) {
            // What covers nothing has no seams with its neighbours, however it looks.
            if (array_filter($drawn->looks(), static fn (Style $style): bool => $style->covers()) !== []) {
                $print[] = [$looks[$k][0], $this->hash($this->scene->known[$drawn->id])];
            }
        }

        return $this->kept('seams '.hash('xxh128', json_encode($print, JSON_THROW_ON_ERROR)), fn (): array => [
            'strokes' => array_map($this->stroke(...), $this->scene->seams(shows: $this->isOutlined(...))),
        ], $has);
    }

    /** @return array<string, mixed> */
    private function stroke(Stroke $stroke): array
    {
        $paths = new PathData(max(1, $this->scene->plan->tolerance()->decimals - 2));

        return [
            'colour' => $stroke->colour,
            'wide' => 2 * $stroke->reach,
            'round' => $stroke->isRound,
            'path' => implode('', array_map($paths->ofWay(...), $stroke->runs)),
            ...$stroke->lattice === null
                ? []
                : [
                    'cells' => [
                        'a' => [$stroke->lattice->a->x, $stroke->lattice->a->y],
                        'b' => [$stroke->lattice->b->x, $stroke->lattice->b->y],
                        'range' => $stroke->range,
                    ],
                ],
        ];
    }

    /**
     * What is said with its hash, from memory where it was said before.
     *
     * @param  string  $print  what it hangs on
     * @param  callable(): array<string, mixed>  $say
     * @param  array<string, int>  $has
     * @return array<string, mixed>|int
     */
    private function kept(string $print, callable $say, array $has): array|int
    {
        $kept = $this->scene->memory->recall($print);
        if (is_array($kept) && is_string($kept[0] ?? null) && is_string($kept[1] ?? null)) {
            [$hash, $json] = $kept;

            return $has[$hash] ?? ['hash' => $hash, ...(array) json_decode($json, flags: JSON_THROW_ON_ERROR)];
        }
        $start = hrtime(true);
        $said = $say();
        $json = json_encode($said, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        $hash = hash('xxh64', $json);
        $this->scene->memory->keep($print, [$hash, $json], (hrtime(true) - $start) / 1e9, 0);

        return $has[$hash] ?? ['hash' => $hash, ...$said];
    }

    /** What tells one sentence, look or written step from all others. */
    public static function hashOf(mixed $said): string
    {
        return hash('xxh64', json_encode($said, JSON_THROW_ON_ERROR));
    }

    /**
     * @param  array<string, mixed>  $said
     * @param  array<string, int>  $has
     * @return array<string, mixed>|int with its hash, or its number in the list of what the receiver has
     */
    private static function once(array $said, array $has): array|int
    {
        return self::told([self::hashOf($said), $said], $has);
    }

    /**
     * @param  array{string, array<string, mixed>}  $hashed
     * @param  array<string, int>  $has
     * @return array<string, mixed>|int
     */
    private static function told(array $hashed, array $has): array|int
    {
        [$hash, $said] = $hashed;

        return $has[$hash] ?? ['hash' => $hash, ...$said];
    }

    /** The hash of what a step comes to on the sheet; null where that is nothing. */
    private function geometryOf(Step $step): ?string
    {
        $known = $this->scene->known[$step->id] ?? null;

        // A look lies nowhere, but its gradients have handles.
        return $known === null || ($known->result->role() === Role::Look && $known->pulls() === []) ? null : $this->hash($known);
    }

    /** @return array<string, mixed> */
    private function step(Step $step): array
    {
        $plan = $this->scene->plan;
        $known = $this->scene->known[$step->id] ?? null;
        $role = $known?->result->role();
        $sector = Sector::ofRepeat($this->scene->known, $step);
        $cell = CellDomain::ofPattern($this->scene->known, $step);
        $frames =
            $known !== null && $step->kind instanceof FramesKind
                ? FramesKind::framesOf($known, $this->scene->known[$step->references()[0] ?? ''] ?? null)
                : null;

        return [
            'id' => $step->id,
            'kind' => $step->kind->name(),
            'label' => $this->scene->labels[$step->id],
            'name' => $step->name,
            'muted' => $step->muted,
            'hidden' => $step->hidden,
            ...($step->fast ? ['fast' => true] : []),
            'role' => $role === null ? 'none' : $role->value,
            'of' => $step->references(),
            // A part's size is asked for by name, and measured then; those of copies by the thousand would take their time.
            'numbers' => (object) ($known === null
                    ? []
                    : [
                        ...self::shownNumbers($step, $known),
                        ...$known->result instanceof Measured && ! ($known->result instanceof Part) ? $known->result->quantities() : [],
                    ]),
            'opens' => self::opened($step),
            'usedUp' => isset($this->scene->usedUp[$step->id]),
            'shown' => $known !== null && $known->result instanceof Grid
                    ? [
                        'as' => $step->raw('show') ?? 'lines',
                        'strength' => $known->numbers['strength'] ?? 0.3,
                        'block' => isset($known->numbers['block']) ? (int) $known->numbers['block'] : null,
                    ]
                    : null,
            ...$sector === null ? [] : ['sector' => $sector->describe()],
            ...$cell === null ? [] : ['cell' => $cell->describe()],
            ...$known?->result instanceof Part && ($known->result->painted->runs ?? []) !== []
                ? ['runs' => array_slice($known->result->painted->runs ?? [], 0, self::MOST_RUNS)]
                : [],
            ...$frames === null
                ? []
                : [
                    'frames' => [
                        'on' => $step->raw('on'),
                        'size' => [$frames->wide, $frames->high],
                        'corners' => $frames->corners(),
                        'most' => $frames->most(),
                        'ms' => $frames->ms,
                    ],
                ],
            'sentence' => Sentence::pieces(
                $step,
                $plan,
                $this->scene->labels,
                $known === null
                    ? []
                    : [
                        ...$known->numbers,
                        ...$known->result instanceof Measurement || $known->result instanceof Guide ? $known->result->quantities() : [],
                    ],
                $this->asking,
            ),
        ];
    }

    /** @return list<string>|null ids of the steps that are worked on in the place of this one */
    private static function opened(Step $step): ?array
    {
        $raw = $step->kind->opens() === null ? null : $step->raw($step->kind->opens());
        $ids = is_array($raw) ? $raw : [$raw];

        return $raw === null ? null : array_values(array_filter($ids, is_string(...)));
    }

    /** @return array<string, mixed> */
    private function pull(Pull $pull): array
    {
        $decimals = $this->scene->plan->tolerance()->decimals;
        $place = static fn (Vec $at): array => [round($at->x, $decimals), round($at->y, $decimals)];

        return [...get_object_vars($pull), 'at' => $place($pull->at), 'from' => $place($pull->from), 'to' => $place($pull->to)];
    }

    /** @return array<string, list<float>> x and y of every place, by field; of outlines with places by the hundred none */
    private function places(Evaluated $known): array
    {
        $decimals = $this->scene->plan->tolerance()->decimals;

        return array_map(
            static fn (array $places): array => array_merge(
                ...array_map(static fn (Vec $place): array => [round($place->x, $decimals), round($place->y, $decimals)], $places),
            ),
            array_filter($known->places, static fn (array $places): bool => count($places) <= self::MOST_PLACES),
        );
    }

    /** Geometry is rounded for the sheet that it lies on, so the sheet's tolerance is part of its hash. */
    private function hash(Evaluated $known): string
    {
        return substr($known->hash, 0, self::DIGITS).'-'.$this->scene->plan->tolerance()->decimals.($this->left[$known->id][1] ?? '');
    }

    /**
     * @param  list<string>  $names  of its copies
     * @return array{path: string, center: array{float, float}|null, radius: float|null, names: list<array{text: string, at: array{float, float}}>}
     */
    private function guide(Guide $guide, array $names): array
    {
        $curve = $guide->curve;
        $named = [];
        foreach ($names as $number => $name) {
            $start = isset($guide->runs[$number]) ? $guide->runs[$number]->start() : null;
            array_push($named, ...($start === null ? [] : [['text' => $name, 'at' => [$start->x, $start->y]]]));
        }

        return [
            'path' => $this->paths->ofCurves($guide->curves()),
            'center' => $curve instanceof Arc ? [$curve->center()->x, $curve->center()->y] : null,
            'radius' => $curve instanceof Arc ? $curve->radius() : null,
            'names' => $named,
        ];
    }

    /** @return array<string, mixed> */
    private static function picture(PlacedPicture $picture): array
    {
        return [
            'image' => $picture->source,
            'size' => [$picture->file->width, $picture->file->height],
            'map' => $picture->map()->toArray(),
            'fade' => $picture->fade,
            'veil' => $picture->veil,
            'blend' => $picture->blend,
            'corner' => [$picture->corner->x, $picture->corner->y],
        ];
    }

    /** @return array<string, mixed> where the line of a measure runs */
    private function measurement(Measurement $measure): array
    {
        $decimals = $this->scene->plan->tolerance()->decimals;
        $place = static fn (Vec $at): array => [round($at->x, $decimals), round($at->y, $decimals)];

        return [
            'measured' => $measure->sort,
            'value' => $measure->value,
            'from' => $place($measure->from),
            'to' => $place($measure->to),
            'at' => $measure->at === null ? null : $place($measure->at),
        ];
    }
}
