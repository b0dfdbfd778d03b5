<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Grid\Grid;
use Sternbild\Core\Grid\Tiling;
use Sternbild\Core\Result\Finding;
use Sternbild\Core\Shape\Part;

/** What a step can see while its parameters are worked out: values, palette, and the steps before it. */
final class Scope
{
    /** @var array<string, Evaluated> */
    private array $known = [];

    /** @var list<array{string, string, string}> field, code and message of warnings about the step at hand */
    private array $warnings = [];

    /** @param  array<string, string>  $labels what messages call the steps */
    public function __construct(public readonly Plan $plan, public readonly array $labels)
    {
    }

    public function learn(Evaluated $step): void
    {
        $this->known[$step->id] = $step;
    }

    public function label(string $id): string
    {
        return $this->labels[$id] ?? "“{$id}”";
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

        return $result instanceof Tiling ? $result : throw new FieldFault($field, 'lost', "{$this->label($id)} is not a grid or an overlay");
    }

    /** @throws FieldFault */
    public function part(string $id, string $field): Part
    {
        $result = $this->step($id, $field)->result;

        return $result instanceof Part ? $result : throw new FieldFault($field, 'lost', "{$this->label($id)} is not a part");
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
            $numbers = $this->step($id, '')->numbers;
        } catch (FieldFault $fault) {
            throw new ArithmeticFault("takes a number from a step that is lost: {$fault->getMessage()}");
        }
        $key = substr($name, $dot + 1);

        return $numbers[$key] ?? throw new ArithmeticFault(
            "names “{$name}”; {$this->label($id)} has ".($numbers === [] ? 'no numbers' : implode(', ', preg_grep('/\.\d$/', array_keys($numbers), PREG_GREP_INVERT) ?: [])),
        );
    }
}
