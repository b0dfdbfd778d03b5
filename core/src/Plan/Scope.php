<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Part;

/** What a step can see while its parameters are worked out: values, palette, and the steps before it. */
final class Scope
{
    /** @var array<string, Evaluated> */
    private array $known = [];

    private readonly Naming $naming;

    /** @var list<array{string, string, string}> field, code and message of warnings about the step at hand */
    private array $warnings = [];

    /** @var list<string> */
    private array $rough = [];

    /** @param  array<string, string>  $labels what messages call the steps */
    public function __construct(public readonly Plan $plan, public readonly array $labels)
    {
        $this->naming = new Naming($plan, $labels);
    }

    public function learn(Evaluated $step): void
    {
        $this->known[$step->id] = $step;
    }

    public function label(Reference|string $step): string
    {
        return $this->naming->step($step);
    }

    /** @throws FieldFault when the step is gone, muted or failed */
    public function step(string $id, string $field): Evaluated
    {
        if (isset($this->known[$id])) {
            return $this->known[$id];
        }
        $step = $this->plan->steps[$id] ?? null;
        $why = match (true) {
            $step === null => 'is not in the plan',
            $step->muted => 'is muted',
            default => 'has no result',
        };
        throw new FieldFault($field, 'lost', "{$this->label($id)} $why");
    }

    /**
     * A step, a copy of a repeat, or one of the things that a copy is made of.
     *
     * @throws FieldFault
     */
    public function referenced(Reference $reference, string $field): Evaluated
    {
        $step = $this->step($reference->step, $field);
        if ($reference->copy === null) {
            return $step;
        }
        $result = $step->result;
        $copies = $result instanceof Part || $result instanceof Guide ? $result->copies() : null;
        if ($copies === null || (! $result instanceof Part && ! $result instanceof Guide)) {
            throw new FieldFault($field, 'lost', "{$this->label($reference->step)} has no copies");
        }
        $portion = $result->copy($reference->copy, $reference->member);
        if ($portion === null) {
            throw new FieldFault(
                $field,
                'lost',
                match (true) {
                    $reference->copy > $copies->count() || $reference->copy < 1 => "copy $reference->copy does not exist: {$this->label(
                        $reference->step,
                    )} has {$copies->count()}",
                    default => "part $reference->member does not exist: the copies of {$this->label($reference->step)} have ".
                        count($copies->sources),
                },
            );
        }

        $figures = $result instanceof Part ? $result->figuresOf($reference->copy, $reference->member) : null;

        return $step->portion((string) $reference, $portion, $figures, $figures);
    }

    /**
     * What a plan names as a part or a guide: a step, a copy, or the piece of a part around a place.
     *
     * @throws FieldFault
     */
    public function member(string $text, string $field): Evaluated
    {
        $mark = strpos($text, '~');
        $reference = Reference::parse($mark === false ? $text : substr($text, 0, $mark));
        if ($reference === null) {
            throw new FieldFault($field, 'lost', "“{$text}” names nothing");
        }
        $whole = $this->referenced($reference, $field);
        if ($mark === false) {
            return $whole;
        }
        if (! $whole->result instanceof Part) {
            throw new FieldFault($field, 'lost', "{$this->label($reference)} is not a part");
        }
        $piece = $whole->result->pieceAt((new Location($this, $field, 'the piece'))->ofSpot(Spot::parse(substr($text, $mark + 1))));

        return $piece === null
            ? throw new FieldFault($field, 'lost', "no piece of {$this->label($reference)} encloses the place any more")
            : $whole->portion($text, Part::of([$piece]), [], self::drawnAs($whole, $piece));
    }

    /** @return list<int>|null the figure that a piece is all of; null where there is none */
    private static function drawnAs(Evaluated $whole, Figure $piece): ?array
    {
        $place = $piece->shape->outlines[0]->curves[0]->pointAt(0.5);
        foreach ($whole->result instanceof Part ? $whole->result->figures() : [] as $number => $figure) {
            $outlines = $figure->outlines();
            $same = count($outlines) === count($piece->shape->outlines) && $outlines[0]->curves[0]->pointAt(0.5) == $place;
            if ($same && count($figure->shape->pieces()) === 1) {
                return [$whole->figures[$number] ?? $number];
            }
        }

        return null;
    }

    /** @throws FieldFault */
    public function grid(string $id, string $field): Grid
    {
        $result = $this->step($id, $field)->result;

        return $result instanceof Grid ? $result : throw new FieldFault($field, 'lost', "{$this->label($id)} is not a grid");
    }

    /** @throws FieldFault */
    public function tiling(string $id, string $field): Tiling
    {
        $result = $this->step($id, $field)->result;

        return $result instanceof Tiling
            ? $result
            : throw new FieldFault($field, 'lost', "{$this->label($id)} is not a grid or an overlay");
    }

    /**
     * A number as written: a JSON number or arithmetic.
     *
     * @throws ArithmeticFault
     */
    public function number(int|float|string $raw): float
    {
        if (is_string($raw)) {
            return Arithmetic::evaluate($raw, $this->named(...), $this->plan->unit);
        }

        return is_finite((float) $raw) ? (float) $raw : throw new ArithmeticFault('is not finite');
    }

    public function warn(string $field, string $code, string $message): void
    {
        $this->warnings[] = [$field, $code, $message];
    }

    /** @return list<Finding> the warnings since the last call, about this step */
    public function takeWarnings(string $step): array
    {
        $findings = array_map(
            static fn (array $warning): Finding => Finding::warning($step, $warning[1], $warning[2], $warning[0]),
            $this->warnings,
        );
        $this->warnings = [];

        return $findings;
    }

    /** @return list<string> the parts whose areas were taken since the last call though they are not known whole */
    public function takeRough(): array
    {
        $rough = $this->rough;
        $this->rough = [];

        return $rough;
    }

    /** @throws ArithmeticFault */
    private function named(string $name): float
    {
        if ($this->plan->values->has($name)) {
            return $this->plan->values->get($name);
        }
        $dot = strpos($name, '.');
        $id = $dot === false ? $name : substr($name, 0, $dot);
        if ($dot === false || ! isset($this->plan->steps[$id])) {
            return $this->plan->values->get($name);
        }
        try {
            $step = $this->step($id, '');
        } catch (FieldFault $fault) {
            throw new ArithmeticFault("takes a number from a step that is lost: {$fault->getMessage()}");
        }

        if (substr($name, $dot) === '.area' && $step->result instanceof Part && ! $step->result->covered()->isWhole) {
            $this->rough[] = $this->label($id);
        }

        return $step->number(substr($name, $dot + 1)) ?? throw new ArithmeticFault(
            "names “{$name}”; {$this->label($id)} has ".(implode(', ', $step->numberNames()) ?: 'no numbers'),
        );
    }
}
