<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Evaluation\DrawnPart;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PathData;
use Sternbild\Core\Geometry\Arc;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Grid\FineGrid;
use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Overlay;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Measure\Measurement;
use Sternbild\Core\Mesh\Mesh;
use Sternbild\Core\Pixel\PlacedPicture;
use Sternbild\Core\Plan\CellDomain;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Kind\Pixel\FramesKind;
use Sternbild\Core\Plan\PaintOver;
use Sternbild\Core\Plan\Pull;
use Sternbild\Core\Plan\Section;
use Sternbild\Core\Plan\Sector;
use Sternbild\Core\Plan\Sentence;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Plan\Values;
use Sternbild\Core\Result\Measured;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Spread;
use Sternbild\Core\Trap\Stroke;

/** A scene as the interface gets it: sentences, geometry to draw and to pick from, findings. */
final readonly class SceneView
{
    /** Of one field. */
    private const MOST_PLACES = 200;

    /** Of the hash of a geometry: 64 bits, as many as of all others. */
    private const DIGITS = 16;

    private PathData $paths;

    private Looks $looks;

    /** @var array<string, array{Part, string}> what is drawn of painted cells that others were painted over, and what tells it from the whole */
    private array $left;

    private function __construct(private Scene $scene)
    {
        $left = [];
        foreach ($scene->drawing as $drawn) {
            $whole = $scene->known[$drawn->id]->result;
            if ($drawn->part->painted !== null && $drawn->part !== $whole) {
                $left[$drawn->id] = [$drawn->part, '-'.hash('xxh32', implode(' ', array_keys($drawn->part->painted->cells)))];
            }
        }
        $this->left = $left;
        $this->paths = new PathData($scene->plan->tolerance()->decimals);
        $this->looks = new Looks($this->paths, $scene->plan->tolerance()->decimals);
    }

    /**
     * Every sentence, look and geometry has a hash. What the receiver has already is said by its number in the list of that, or left out.
     *
     * @param  array<array-key, mixed>  $has  hashes of what the receiver has
     * @param  array<array-key, mixed>|null  $handles  ids of the steps whose handles are wanted; null for all
     * @return array<string, mixed>
     */
    public static function describe(Scene $scene, array $has, ?array $handles = null): array
    {
        return (new self($scene))->view(array_flip(array_filter($has, is_string(...))), $handles === null ? null : array_flip(array_filter($handles, is_string(...))));
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
                $geometry[$hash] = $this->part($this->left[$known->id][0] ?? $known->result);
            }
            if ($known->result instanceof Guide && ! isset($has[$hash])) {
                $geometry[$hash] = $this->guide($known->result, $plan->steps[$known->id]->kind->copyNames());
            }
            if ($known->result instanceof PlacedPicture && ! isset($has[$hash])) {
                $geometry[$hash] = ['image' => $known->result->source, 'size' => [$known->result->file->width, $known->result->file->height], 'map' => $known->result->map()->toArray(), 'fade' => $known->result->fade, 'veil' => $known->result->veil, 'blend' => $known->result->blend, 'corner' => [$known->result->corner->x, $known->result->corner->y]];
            }
            if ($known->result instanceof Measurement && ! isset($has[$hash])) {
                $geometry[$hash] = $this->measurement($known->result);
            }
            if ($known->result instanceof Tiling && ! isset($has[$hash]) && ! ($known->result instanceof Overlay && $known->result->cellCount() > Overlay::MOST_PICKED)) {
                $geometry[$hash] = $this->tiling($known->result);
                $key = $known->result->topologyKey();
                if (! isset($has[$key])) {
                    $geometry[$key] ??= self::topology($known->result);
                }
            }
        }

        return [
            'sheet' => [
                'width' => $plan->width,
                'height' => $plan->height,
                'unit' => $plan->unit->value,
                'background' => $this->scene->background(),
                'seams' => $plan->seamsOpen ? 'open' : 'closed',
                'colours' => $plan->heldTo,
                'light' => $plan->values->all()['sheet.light'] ?? Values::LIGHT,
                'checks' => ['sliver' => $plan->limits->sliver, 'miss' => $plan->limits->miss, 'corner' => $plan->limits->corner, 'small' => $plan->limits->small],
            ],
            'values' => (object) $plan->values->all(),
            'chapters' => array_map(static fn (Section $section): array => get_object_vars($section), $plan->sections()),
            'steps' => array_map(fn (Step $step): array|int => self::once($this->step($step), $has), array_values($plan->steps)),
            'geometries' => array_map(fn (Step $step): int|string|null => $has[$this->geometryOf($step) ?? ''] ?? $this->geometryOf($step), array_values($plan->steps)),
            'drawing' => array_map(fn (DrawnPart $drawn): array|int => self::once($this->looks->of($drawn), $has), $this->scene->drawing),
            'seams' => self::once(['strokes' => array_map(fn (Stroke $stroke): array => [
                'colour' => $stroke->colour, 'wide' => 2 * $stroke->reach, 'round' => $stroke->isRound, 'path' => implode('', array_map((new PathData(max(1, $plan->tolerance()->decimals - 2)))->ofWay(...), $stroke->runs)),
                ...($stroke->lattice === null ? [] : ['cells' => ['a' => [$stroke->lattice->a->x, $stroke->lattice->a->y], 'b' => [$stroke->lattice->b->x, $stroke->lattice->b->y], 'range' => $stroke->range]]),
            ], $this->scene->seams(shows: $this->isOutlined(...)))], $has),
            'cells' => array_map(fn (DrawnPart $drawn): array|int => self::once($this->looks->of($drawn), $has), array_values($this->scene->cells)),
            'inside' => array_map(fn (DrawnPart $drawn): array|int => self::once($this->looks->of($drawn), $has), $this->scene->inside),
            'geometry' => (object) $geometry,
            'findings' => $this->scene->findings,
        ];
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
        $hash = self::hashOf($said);

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
        $frames = $known !== null && $step->kind instanceof FramesKind ? FramesKind::framesOf($known, $this->scene->known[$step->references()[0] ?? ''] ?? null) : null;

        return [
            'id' => $step->id,
            'kind' => $step->kind->name(),
            'label' => $this->scene->labels[$step->id],
            'name' => $step->name,
            'muted' => $step->muted,
            'hidden' => $step->hidden,
            'role' => $role === null ? 'none' : $role->value,
            'of' => $step->references(),
            // A part's size is asked for by name, and measured then; those of copies by the thousand would take their time.
            'numbers' => (object) ($known === null ? [] : [...self::shownNumbers($step, $known), ...($known->result instanceof Measured && ! $known->result instanceof Part ? $known->result->quantities() : [])]),
            'opens' => self::opened($step),
            'usedUp' => isset($this->scene->usedUp[$step->id]),
            'shown' => $known !== null && $known->result instanceof Grid
                ? ['as' => $step->raw('show') ?? 'lines', 'strength' => $known->numbers['strength'] ?? 0.3, 'block' => isset($known->numbers['block']) ? (int) $known->numbers['block'] : null]
                : null,
            ...($sector === null ? [] : ['sector' => $sector->describe()]),
            ...($cell === null ? [] : ['cell' => $cell->describe()]),
            ...($known?->result instanceof Part && ($known->result->painted->runs ?? []) !== [] ? ['runs' => array_slice($known->result->painted->runs ?? [], 0, self::MOST_RUNS)] : []),
            ...($frames === null ? [] : ['frames' => ['on' => $step->raw('on'), 'size' => [$frames->wide, $frames->high], 'corners' => $frames->corners(), 'most' => $frames->most(), 'ms' => $frames->ms]]),
            'sentence' => Sentence::pieces($step, $plan, $this->scene->labels, $known === null ? [] : [...$known->numbers, ...($known->result instanceof Measurement || $known->result instanceof Guide ? $known->result->quantities() : [])]),
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
            static fn (array $places): array => array_merge(...array_map(static fn (Vec $place): array => [round($place->x, $decimals), round($place->y, $decimals)], $places)),
            array_filter($known->places, static fn (array $places): bool => count($places) <= self::MOST_PLACES),
        );
    }

    /** Geometry is rounded for the sheet that it lies on, so the sheet's tolerance is part of its hash. */
    private function hash(Evaluated $known): string
    {
        return substr($known->hash, 0, self::DIGITS).'-'.$this->scene->plan->tolerance()->decimals.($this->left[$known->id][1] ?? '');
    }

    /** @return array<string, mixed> */
    private function part(Part $part): array
    {
        return [
            ...$this->figures($part),
            'measures' => SceneNumbers::part($part),
            ...($part->painted === null ? [] : ['painted' => $this->painted($part->painted)]),
        ];
    }

    /** @return array{on: string, colours: list<string>, cells: list<string>, numbers?: list<list<int>>} painted cells; of an overlay as they are written, and their numbers */
    private function painted(Painted $painted): array
    {
        if ($painted->laid instanceof Overlay) {
            return self::paintedOverlay($painted);
        }
        $grid = ($this->scene->known[$painted->grid] ?? null)?->result;
        if (! $grid instanceof Grid) {
            return ['on' => $painted->grid, 'colours' => [], 'cells' => []];
        }
        $along = $grid->arrows()['wraps'][1] ?? false ? 1 : 0;
        $rows = [];
        foreach ($painted->cells as $cell => $name) {
            $at = $grid->cellCoordinates($cell);
            $rows[$name][$at[1 - $along] ?? 0][] = $at[$along] ?? 0;
        }
        $colours = $cells = [];
        foreach (array_keys($painted->counts()) as $name) {
            $colours[] = $painted->colours[$name];
            $cells[] = implode(' ', array_map(static function (array $cells, int $row) use ($along): string {
                sort($cells);

                return implode(' ', PaintOver::words($cells, $row, $along));
            }, $rows[$name] ?? [], array_keys($rows[$name] ?? [])));
        }

        return ['on' => $painted->grid, 'colours' => $colours, 'cells' => $cells];
    }

    /** @return array{on: string, colours: list<string>, cells: list<string>, numbers: list<list<int>>} */
    private static function paintedOverlay(Painted $painted): array
    {
        $colours = $cells = $numbers = [];
        foreach (array_keys($painted->counts()) as $name) {
            $colours[] = $painted->colours[$name];
            $numbers[] = $those = array_keys($painted->cells, (string) $name, true);
            $cells[] = implode(' ', array_map(static fn (int $cell): string => $painted->words[$cell] ?? '', $those));
        }

        return ['on' => $painted->grid, 'colours' => $colours, 'cells' => $cells, 'numbers' => $numbers];
    }

    /**
     * Every shape once, and for each figure which one it is and the map that brings it where it is.
     *
     * @return array<string, mixed>
     */
    private function figures(Part $part): array
    {
        $numbers = $sizes = $shapes = $figures = [];
        foreach ($part->spread?->ofCell() ?? $part->figures() as $figure) {
            $id = spl_object_id($figure->shape);
            $number = $numbers[$id] ??= count($numbers);
            $shapes[$number] = $figure->shape;
            $sizes[$number] = max($sizes[$number] ?? 1.0, abs($figure->map->a) + abs($figure->map->c), abs($figure->map->b) + abs($figure->map->d));
            $figures[] = $figure->map->isIdentity() ? [$number] : array_merge([$number], $figure->map->toArray());
        }
        $paths = $boxes = [];
        foreach ($shapes as $number => $shape) {
            $boxes[] = $shape->bounds()->toArray();
            // What is shown enlarged has as many digits as it needs there.
            $decimals = $this->scene->plan->tolerance()->decimals + (int) ceil(log10($sizes[$number]));
            $paths[] = (new PathData($decimals))->ofOutlines($shape->outlines);
        }

        return ['shapes' => $paths, 'boxes' => $boxes, 'figures' => $figures, 'copies' => self::copies($part), ...($part->spread === null ? [] : ['spread' => self::spread($part->spread)])];
    }

    /** @return array{blocks: list<int>, a: array{float, float}, b: array{float, float}, range: array{int, int, int, int}, each: int} of what repeats how the figures of the first cell lie in all of them */
    private static function spread(Spread $spread): array
    {
        return [
            'blocks' => array_map(count(...), $spread->blocks()),
            'a' => [$spread->lattice->a->x, $spread->lattice->a->y], 'b' => [$spread->lattice->b->x, $spread->lattice->b->y],
            'range' => $spread->range, 'each' => count($spread->maps),
        ];
    }

    /** @return list<int>|null of a repeat the number of the copy that each figure belongs to; of what is spread over cells in the first one */
    private static function copies(Part $part): ?array
    {
        if ($part->spread !== null) {
            return $part->spread->copyNumbers();
        }
        $made = $part->copies();
        if ($made === null) {
            return null;
        }
        $copies = array_fill(0, $part->count(), 1);
        foreach (array_keys($made->places) as $copy) {
            foreach ($part->figuresOf($copy + 1, null) as $figure) {
                $copies[$figure] = $copy + 1;
            }
        }

        return array_values($copies);
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

    /** @return array<string, mixed> where the line of a measure runs */
    private function measurement(Measurement $measure): array
    {
        $decimals = $this->scene->plan->tolerance()->decimals;
        $place = static fn (Vec $at): array => [round($at->x, $decimals), round($at->y, $decimals)];

        return ['measured' => $measure->sort, 'value' => $measure->value, 'from' => $place($measure->from), 'to' => $place($measure->to), 'at' => $measure->at === null ? null : $place($measure->at)];
    }

    /** @return array<string, mixed> where a grid or an overlay lies; how it hangs together is sent apart, because it seldom changes */
    private function tiling(Tiling $grid): array
    {
        if ($grid instanceof FineGrid) {
            return $this->fine($grid);
        }
        $mesh = $grid->mesh();
        $decimals = $this->scene->plan->tolerance()->decimals;
        $places = [];
        foreach ($mesh->x as $point => $x) {
            $places[] = round($x, $decimals) + 0.0;
            $places[] = round($mesh->y[$point], $decimals) + 0.0;
        }

        return [
            'topology' => $grid->topologyKey(),
            // The lines of an overlay are those of its grids and guides, which are drawn anyway.
            'lines' => $grid instanceof Grid ? $this->paths->ofCurves($grid->lines()) : '',
            'places' => $places,
            'circles' => (object) $mesh->circles,
            'bends' => (object) self::bends($mesh, $decimals),
        ];
    }

    /** @return array<string, mixed> of a grid whose places follow from one another */
    private function fine(FineGrid $grid): array
    {
        $corner = $grid->placeAt(0.0, 0.0);
        [$across, $down] = [$grid->placeAt(1.0, 0.0)->minus($corner), $grid->placeAt(0.0, 1.0)->minus($corner)];

        return [
            'topology' => $grid->topologyKey(),
            'lines' => $this->paths->ofCurves($grid->lines()),
            'places' => [],
            'circles' => (object) [],
            'bends' => (object) [],
            'lattice' => ['size' => $grid->size(), 'at' => [$corner->x, $corner->y], 'across' => [$across->x, $across->y], 'down' => [$down->x, $down->y]],
        ];
    }

    /** @return array<int, list<float>> the control points of the edges that are cubics */
    private static function bends(Mesh $mesh, int $decimals): array
    {
        $bends = [];
        foreach ($mesh->spans as $edge => [$from, $to]) {
            $part = $mesh->cubics[$mesh->carrier[$edge]]->part($from, $to);
            $bends[$edge] = array_map(
                static fn (float $one): float => round($one, $decimals),
                [$part->leaving->x, $part->leaving->y, $part->arriving->x, $part->arriving->y],
            );
        }

        return $bends;
    }

    /** @return array<string, mixed> */
    private static function topology(Tiling $tiling): array
    {
        $mesh = $tiling instanceof FineGrid ? new Mesh([], [], [], [], [], [], []) : $tiling->mesh();
        $cells = [];
        $outlines = [];
        foreach ($mesh->cells as $cell => $outline) {
            $cells[] = substr($tiling->cellAddress($cell), 1);
            // No edge has the number 0, so that it can part the outlines.
            array_push($outlines, 0, ...$outline);
        }
        $points = [];
        if ($tiling instanceof Grid) {
            foreach ($mesh->x as $point => $x) {
                $points[] = implode(',', $tiling->pointCoordinates($point));
            }
        }

        return [
            'mark' => $tiling instanceof Grid ? '#' : '~',
            'cells' => $cells,
            'points' => $points,
            'from' => $mesh->from,
            'to' => $mesh->to,
            'carriers' => $mesh->carrier,
            'outlines' => $outlines,
            'cellWords' => $tiling instanceof Grid ? $tiling->cellWords() : [],
            'pointWords' => $tiling instanceof Grid ? $tiling->pointWords() : [],
            'arrows' => $tiling instanceof Grid ? $tiling->arrows() : null,
            'about' => $tiling instanceof Grid ? $tiling->about() : null,
        ];
    }
}
