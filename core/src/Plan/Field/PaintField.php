<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Field;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Vec;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Paint\PatternFill;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Sampling;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** What fills or is stroked with: a colour, a gradient, or a pattern. */
final class PaintField extends Field
{
    public const MOST_STOPS = 24;

    /** What a gradient of each sort may say beside its stops. */
    private const SAYS = ['linear' => ['from', 'to'], 'radial' => ['center', 'radius', 'focus'], 'along' => ['turns']];

    private const SORTS = ['linear' => 'linear', 'radial' => 'radial', 'along' => 'along its way'];

    /** What a pattern may say. */
    /** Times as large as it is that a pattern has to be. */
    private const LEAST_SIZE = 1e-6;

    private const OF_PATTERN = ['pattern', 'turn', 'resize', 'by'];

    /** @param  bool  $fills  whether it may run along the way of a band, or be a pattern */
    public function __construct(string $name, string $label, private readonly bool $fills = true)
    {
        parent::__construct($name, $label);
    }

    public function type(): string
    {
        return 'paint';
    }

    public function check(mixed $raw, string $pointer): void
    {
        if (! is_array($raw)) {
            $this->colour()->check($raw, $pointer);

            return;
        }
        if (isset($raw['pattern']) && $this->fills) {
            $this->checkPattern($raw, $pointer);

            return;
        }
        $sort = $raw['gradient'] ?? null;
        if (! is_string($sort) || ! isset(self::SAYS[$sort]) || ($sort === 'along' && ! $this->fills)) {
            throw Unusable::at("$pointer/gradient", 'a sort of gradient: linear'.($this->fills ? ', radial or along' : ' or radial'));
        }
        foreach (array_keys($raw) as $key) {
            if (! in_array($key, ['gradient', 'stops', ...self::SAYS[$sort]], true)) {
                throw Unusable::at("$pointer/$key", 'nothing; a gradient of this sort says stops, '.implode(', ', self::SAYS[$sort]));
            }
        }
        $this->checkStops($raw['stops'] ?? null, $sort, "$pointer/stops");
        foreach (self::SAYS[$sort] as $key) {
            if (isset($raw[$key])) {
                $this->piece($key)?->check($raw[$key], "$pointer/$key");
            }
        }
    }

    /**
     * @param  array<array-key, mixed>  $raw
     *
     * @throws Unusable
     */
    private function checkPattern(array $raw, string $pointer): void
    {
        foreach ($raw as $key => $value) {
            $piece = in_array($key, self::OF_PATTERN, true) ? $this->piece((string) $key) : null;
            $piece === null
                ? throw Unusable::at("$pointer/$key", 'nothing; a pattern as a fill says '.implode(', ', self::OF_PATTERN))
                : $piece->check($value, "$pointer/$key");
        }
    }

    /** @throws Unusable */
    private function checkStops(mixed $stops, string $sort, string $pointer): void
    {
        if (! is_array($stops) || ! array_is_list($stops) || count($stops) < 2 || count($stops) > self::MOST_STOPS) {
            throw Unusable::at(
                $pointer,
                'a list of 2 to '.self::MOST_STOPS.' stops, each a position from 0 to 1, a colour, and an opacity unless it hides all',
            );
        }
        foreach ($stops as $index => $stop) {
            if (! is_array($stop) || ! array_is_list($stop) || ! in_array(count($stop), [2, 3], true)) {
                throw Unusable::at(
                    "$pointer/$index",
                    'a stop: a position from 0 to 1, a colour, and an opacity from 0 to 1 unless it hides all',
                );
            }
            $this->position($index)->check($stop[0], "$pointer/$index/0");
            $this->colour()->check($stop[1], "$pointer/$index/1");
            if ($stop[1] === 'none') {
                throw Unusable::at("$pointer/$index/1", 'a colour; a gradient has one at every stop');
            }
            if (isset($stop[2])) {
                $sort === 'along'
                    ? throw Unusable::at("$pointer/$index/2", 'nothing; a gradient along a band hides all that lies under it')
                    : $this->opacity($index)->check($stop[2], "$pointer/$index/2");
            }
        }
    }

    /**
     * @return string|Gradient|PatternFill #rrggbb in small letters, or none, or a gradient or a pattern whose places are those of the sheet
     */
    public function resolve(mixed $raw, Scope $scope): string|Gradient|PatternFill
    {
        if (! is_array($raw)) {
            return $this->colour()->resolve($raw, $scope);
        }
        if (isset($raw['pattern'])) {
            return $this->pattern($raw, $scope);
        }
        $stops = [];
        foreach (is_array($raw['stops'] ?? null) ? array_values($raw['stops']) : [] as $index => $stop) {
            [$position, $colour, $opacity] = is_array($stop) ? [...array_values($stop), 1, 1] : [0, 'none', 1];
            $stops[] = [
                $this->position($index)->resolve($position, $scope),
                $this->colour()->resolve($colour, $scope),
                $this->opacity($index)->resolve($opacity, $scope),
            ];
        }
        if ($stops === []) {
            throw new FieldFault($this->name, 'lost', "{$this->label} has no stops");
        }
        $place = fn (string $key) => isset($raw[$key]) ? $this->place($key)->resolve($raw[$key], $scope) : null;
        $number = fn (string $key) => isset($raw[$key]) ? $this->number($key)->resolve($raw[$key], $scope) : null;
        if (($raw['gradient'] ?? null) === 'linear') {
            [$from, $to] = [$place('from'), $place('to')];
            if ($from !== null && $to !== null && $from->distanceTo($to) <= $scope->plan->tolerance()->distance) {
                throw new FieldFault(
                    $this->name,
                    'number',
                    "{$this->label}: the gradient begins where it ends; from and to have to be two places",
                );
            }

            return Gradient::linear($stops, $from, $to);
        }

        return ($raw['gradient'] ?? null) === 'radial'
            ? Gradient::radial($stops, $place('center'), $number('radius'), $place('focus'))
            : Gradient::along($stops, $number('turns') ?? 1.0);
    }

    /** @param  array<array-key, mixed>  $raw */
    private function pattern(array $raw, Scope $scope): PatternFill
    {
        $id = is_string($raw['pattern'] ?? null) ? $raw['pattern'] : '';
        $part = $scope->step($id, $this->name)->result;
        $spread = $part instanceof Part && isset($part->facts['area']) ? $part->spread : null;
        if ($spread === null) {
            throw new FieldFault(
                $this->name,
                'choice',
                "{$this->label}: {$scope->label($id)} is no pattern that goes on in all directions",
            );
        }
        $number = fn (string $key, float $default): float => isset($raw[$key])
            ? $this->number($key)->resolve($raw[$key], $scope)
            : $default;
        $by = isset($raw['by']) ? $this->way()->resolve($raw['by'], $scope) : Vec::zero();
        $size = $number('resize', 1.0);
        if (abs($size) < self::LEAST_SIZE) {
            throw new FieldFault($this->name, 'number', "{$this->label}: a pattern that is $size times as large cannot be seen");
        }

        return new PatternFill(
            $id,
            Affine::scaling($size, $size, $spread->lattice->origin)
                ->then(Affine::turn($number('turn', 0.0), $spread->lattice->origin))
                ->then(Affine::move($by)),
        );
    }

    public function references(mixed $raw): array
    {
        $ids = [];
        foreach (is_array($raw) ? $raw : [] as $key => $value) {
            $piece = $this->piece((string) $key);
            array_push($ids, ...($piece?->references($value) ?? []));
        }
        foreach (is_array($raw) && is_array($raw['stops'] ?? null) ? $raw['stops'] : [] as $index => $stop) {
            foreach ([0, 2] as $number) {
                array_push($ids, ...$this->position((int) $index)->references(is_array($stop) ? $stop[$number] ?? null : null));
            }
        }

        return $ids;
    }

    public function renamed(mixed $raw, array $new): mixed
    {
        foreach (is_array($raw) ? $raw : [] as $key => $value) {
            $raw[$key] = $this->piece((string) $key)?->renamed($value, $new) ?? $value;
        }
        foreach (is_array($raw) && is_array($raw['stops'] ?? null) ? $raw['stops'] : [] as $index => $stop) {
            if (is_array($stop) && is_array($raw)) {
                foreach (array_intersect([0, 2], array_keys($stop)) as $number) {
                    $stop[$number] = $this->position((int) $index)->renamed($stop[$number], $new);
                }
                $raw['stops'][$index] = $stop;
            }
        }

        return $raw;
    }

    public function recoloured(mixed $raw, string $from, string $to): mixed
    {
        if (! is_array($raw)) {
            return $raw === $from ? $to : $raw;
        }
        foreach (is_array($raw['stops'] ?? null) ? $raw['stops'] : [] as $index => $stop) {
            if (is_array($stop) && ($stop[1] ?? null) === $from) {
                $raw['stops'][$index] = array_replace($stop, [1 => $to]);
            }
        }

        return $raw;
    }

    public function sample(Sampling $lot): mixed
    {
        $stops = [[0, 'lagoon'], [$lot->number(0, 1), 'ink'], [1, '#abc123', $lot->number(0, 1)]];

        return match ($lot->whole(0, 5)) {
            0 => ['gradient' => 'linear', 'from' => [$lot->number(0, 100), 0], 'to' => [$lot->number(200, 300), 50], 'stops' => $stops],
            1 => ['gradient' => 'radial', 'radius' => $lot->number(10, 90), 'stops' => $stops],
            2 => ['gradient' => 'linear', 'stops' => $stops],
            default => $this->colour()->sample($lot),
        };
    }

    /** @return array{along: bool, pattern: bool} */
    public function traits(): array
    {
        return ['along' => $this->fills, 'pattern' => $this->fills];
    }

    public function schema(): array
    {
        $place = ['$ref' => '#/$defs/place'];
        $number = ['type' => ['number', 'string']];
        $stops = [
            'type' => 'array',
            'minItems' => 2,
            'maxItems' => self::MOST_STOPS,
            'items' => [
                'type' => 'array',
                'prefixItems' => [$number, ['$ref' => '#/$defs/colour'], $number],
                'minItems' => 2,
                'maxItems' => 3,
            ],
        ];
        $gradient = static fn (string $sort, array $says): array => [
            'type' => 'object',
            'required' => ['gradient', 'stops'],
            'additionalProperties' => false,
            'properties' => ['gradient' => ['const' => $sort], 'stops' => $stops, ...$says],
        ];

        return [
            'oneOf' => [
                ['$ref' => '#/$defs/colour'],
                $gradient('linear', ['from' => $place, 'to' => $place]),
                $gradient('radial', ['center' => $place, 'radius' => $number, 'focus' => $place]),
                ...$this->fills
                    ? [
                        $gradient('along', ['turns' => $number]),
                        [
                            'type' => 'object',
                            'required' => ['pattern'],
                            'additionalProperties' => false,
                            'properties' => [
                                'pattern' => ['type' => 'string'],
                                'turn' => $number,
                                'resize' => $number,
                                'by' => ['type' => 'array', 'prefixItems' => [$number, $number], 'minItems' => 2, 'maxItems' => 2],
                            ],
                        ],
                    ]
                    : [],
            ],
        ];
    }

    public function text(mixed $raw, Plan $plan, array $labels): string
    {
        if (! is_array($raw)) {
            return $this->colour()->text($raw, $plan, $labels);
        }
        $colours = array_map(
            static fn (mixed $stop): string => is_array($stop) && is_string($stop[1] ?? null) ? $stop[1] : 'none',
            is_array($raw['stops'] ?? null) ? array_values($raw['stops']) : [],
        );

        if (isset($raw['pattern'])) {
            $id = is_string($raw['pattern']) ? $raw['pattern'] : '';
            $said = static fn (string $key, string $how): string => isset($raw[$key]) && is_scalar($raw[$key])
                ? sprintf($how, $raw[$key])
                : '';

            return ($labels[$id] ?? $id).
                $said('resize', ' × %s').
                $said('turn', ', turned %s°').
                (isset($raw['by']) ? ', moved '.$this->way()->text($raw['by'], $plan, $labels) : '');
        }

        return ($colours[0] ?? 'none').
            ' to '.
            ($colours[count($colours) - 1] ?? 'none').
            ', '.
            (self::SORTS[is_string($raw['gradient'] ?? null) ? $raw['gradient'] : 'linear'] ?? 'linear');
    }

    private function colour(): ColourField
    {
        return new ColourField($this->name, $this->label);
    }

    private function position(int $index): NumberField
    {
        return NumberField::share($this->name, "{$this->label}, position of stop ".($index + 1));
    }

    private function opacity(int $index): NumberField
    {
        return NumberField::share($this->name, "{$this->label}, opacity of stop ".($index + 1));
    }

    private function place(string $key): PlaceField
    {
        return new PlaceField($this->name, "{$this->label}, $key");
    }

    private function number(string $key): NumberField
    {
        return match ($key) {
            'radius' => NumberField::size($this->name, "{$this->label}, radius"),
            'turn' => NumberField::angle($this->name, "{$this->label}, turn"),
            default => NumberField::factor($this->name, "{$this->label}, $key"),
        };
    }

    private function way(): PairField
    {
        return PairField::way($this->name, "{$this->label}, by");
    }

    private function piece(string $key): ?Field
    {
        return match ($key) {
            'from', 'to', 'center', 'focus' => $this->place($key),
            'radius', 'turns', 'turn', 'resize' => $this->number($key),
            'by' => $this->way(),
            'pattern' => new StepField($this->name, "{$this->label}, pattern", Role::Part),
            default => null,
        };
    }
}
