<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field\PaintedCellsField;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\Role;

/**
 * Changes to a plan as small operations, so that a change made on an older plan can be made again on a newer one.
 *
 * | operation | what it does |
 * |---|---|
 * | `{op: "add", step, before?}` | puts a step in; an id that begins with `+` is replaced by a free one, also where later operations name it |
 * | `{op: "set", id, field, value}` | sets a parameter, or `name`, `muted`, `hidden`, `fast`; null takes it away |
 * | `{op: "remove", ids}` | takes steps out; with them go the looks and orders that were theirs alone, and the numbers that arranging named for them |
 * | `{op: "move", id, before, leads?}` | moves a step before another, or to the end for null; one that leads is the first of the chapter that began with the other |
 * | `{op: "chapter", from, name}` | names the chapter that begins with a step, or lets one begin there; null gives its steps to the one before |
 * | `{op: "move-chapter", from, before}` | moves the steps of a chapter before another step, or to the end for null |
 * | `{op: "sheet", field, value}` | sets a property of the sheet |
 * | `{op: "value", name, value}` | sets a named number; null takes it away |
 * | `{op: "colour", name, value}` | sets a palette colour; null takes it away |
 * | `{op: "lay", name, steps, palette, before?}` | puts several steps in that refer to one another; they get free ids, everywhere they are named, and the colours that the plan lacks come along |
 * | `{op: "ramp", of, to, steps}` | adds so many colours between two of the palette, or `to: "lighter"` or `"darker"` ones of the same hue |
 * | `{op: "paint", kind, field, on, cells, along?}` | paints cells of a grid, by colour, in runs along its first or second coordinate (0 or 1): over those of the last step on the grid where that is of the kind, else in a new one |
 * | `{op: "recolour", map}` | wherever one of these colours is used, by name or as #rrggbb, another one is, all at once; two can change places |
 * | `{op: "rename-colour", name, to}` | renames one, everywhere it is used |
 *
 * It does not check the outcome: PlanReader does.
 */
final class PlanEdit
{
    /** Steps of a change that are called by their names in its label, which tells one or two, and how many more. */
    private const NAMED = 20;

    private const SHEET = ['width', 'height', 'unit', 'background', 'checks.sliver', 'checks.miss', 'checks.corner', 'checks.small', 'seams', 'light', 'colours'];

    /** @var array<string, string> placeholder to id */
    private array $named = [];

    /** @var list<string> ids of added steps */
    private array $added = [];

    /** @var array<string, true> ids of steps of which a parameter was set, or that are new */
    private array $touched = [];

    /** @var list<string> */
    private array $labels = [];

    private readonly StepList $steps;

    /** As they were when the change began. */
    private ?MeasureNames $measureNames = null;

    /** @param  array<array-key, mixed>  $plan */
    private function __construct(private array $plan, private readonly Kinds $kinds)
    {
        $this->steps = new StepList($plan, $kinds);
    }

    /**
     * @param  array<array-key, mixed>  $plan  that PlanReader lets through
     * @param  array<array-key, mixed>  $operations
     * @param  (\Closure(array<array-key, mixed>, array<array-key, mixed>, string): ?list<array<array-key, mixed>>)|null  $workedOut
     *                                                                                                                           what an operation comes to on the plan as the ones before it left it, with its pointer; null for one that is as it is
     *
     * @throws Unusable with a pointer into the operations
     */
    public static function apply(array $plan, array $operations, Kinds $kinds, ?\Closure $workedOut = null): self
    {
        $edit = new self($plan, $kinds);
        foreach (array_values($operations) as $index => $operation) {
            $operation = is_array($operation) ? $operation : [];
            $pointer = "/operations/$index";
            $isPlain = $workedOut === null || (($operation['op'] ?? null) !== 'arrange' && ! isset($operation['into']));
            foreach ($isPlain ? [$operation] : $workedOut($edit->plan(), $edit->withNames($operation), $pointer) ?? [$operation] as $one) {
                $edit->perform($one, $pointer);
            }
        }

        return $edit;
    }

    /** @return array<array-key, mixed> */
    public function plan(): array
    {
        $given = $this->steps->given();

        return [...array_diff_key($this->plan, ['given' => true]), ...($given === [] ? [] : ['given' => $given]), 'steps' => $this->steps->all()];
    }

    /** @return list<string> */
    public function added(): array
    {
        return $this->added;
    }

    /** @return list<string> ids of new steps, and of those of which a parameter was set */
    public function touched(): array
    {
        return array_map(strval(...), array_keys($this->touched));
    }

    /** What the change is called in the history. */
    public function label(): string
    {
        $labels = array_values(array_unique($this->labels));

        return match (count($labels)) {
            0 => 'Change nothing',
            1, 2 => implode(', ', $labels),
            default => "$labels[0] and ".(count($labels) - 1).' more',
        };
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function perform(array $operation, string $pointer): void
    {
        match ($operation['op'] ?? null) {
            'add' => $this->add($operation, $pointer),
            'set' => $this->set($operation, $pointer),
            'remove' => $this->remove($operation, $pointer),
            'again' => $this->again($operation, $pointer),
            'move' => $this->move($operation, $pointer),
            'chapter' => $this->nameChapter($operation, $pointer),
            'move-chapter' => $this->moveChapter($operation, $pointer),
            'sheet' => $this->setSheet($operation, $pointer),
            'value' => $this->setNamed('values', $operation, $pointer),
            'colour' => $this->setNamed('palette', $operation, $pointer),
            'rename-colour' => $this->renameColour($operation, $pointer),
            'ramp' => $this->addRamp($operation, $pointer),
            'lay' => $this->lay($operation, $pointer),
            'paint' => $this->paint($operation, $pointer),
            'recolour' => $this->recolour($operation, $pointer),
            default => throw Unusable::at("$pointer/op", 'one of add, set, remove, again, move, chapter, move-chapter, sheet, value, colour, rename-colour, ramp, lay, paint, recolour'),
        };
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function add(array $operation, string $pointer): void
    {
        $step = $operation['step'] ?? null;
        if (! is_array($step) || ! is_string($step['kind'] ?? null)) {
            throw Unusable::at("$pointer/step", 'a step with a kind');
        }
        $step = $this->withNames($step);
        $id = $step['id'] ?? '+';
        if (is_string($id) && str_starts_with($id, '+')) {
            $step['id'] = $this->steps->freeId($step['kind']);
            $this->named[$id] = $step['id'];
        }
        $kind = $this->kinds->get($step['kind']);
        $step = $kind === null ? $step : $this->measureNames()->spelt($step, $kind);
        $this->steps->insert($this->indexBefore($operation, $pointer), [$step]);
        if (is_string($step['id'])) {
            $this->added[] = $step['id'];
            $this->touched[$step['id']] = true;
        }
        $this->labels[] = $kind === null ? 'Add a step' : 'Add '.mb_strtolower($kind->label());
    }

    /**
     * Goes on with a copy, or a repeat: in its place stands a repeat of one more. What hangs on it does so as before; a step between that nothing else hangs on goes.
     *
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function again(array $operation, string $pointer): void
    {
        $index = $this->indexOf($operation['id'] ?? null, "$pointer/id");
        $step = $this->steps->step($index);
        $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
        $next = $kind?->again($step, function (string $id): ?array {
            $position = $this->steps->positionOf($id);

            return $position === null ? null : $this->steps->step($position);
        }) ?? throw Unusable::at("$pointer/id", 'a copy that was moved, turned or resized, or a repeat with a count');
        $label = $this->labelOf($step);
        $isRepeat = ! isset($next['kind']);
        $kept = $isRepeat ? $step : array_intersect_key($step, array_flip(['id', 'name', 'muted', 'hidden', 'number', 'fast', 'keep']));
        $between = array_diff(array_filter((array) ($step['of'] ?? []), is_string(...)), array_filter((array) ($next['of'] ?? $step['of'] ?? []), is_string(...)));
        $this->steps->replace($index, [...$kept, ...$next]);
        $this->touched[StepList::idOf($step)] = true;
        foreach ($between as $id) {
            $position = $this->steps->positionOf($id);
            if ($position !== null && ! $this->steps->isNamedByOthers($id)) {
                $this->steps->remove([$position => true]);
            }
        }
        $this->labels[] = $isRepeat ? "One more of $label" : "Repeat $label";
    }

    private function measureNames(): MeasureNames
    {
        return $this->measureNames ??= MeasureNames::of($this->steps->all(), is_array($this->plan['values'] ?? null) ? $this->plan['values'] : [], $this->kinds);
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function lay(array $operation, string $pointer): void
    {
        $given = $operation['steps'] ?? null;
        $palette = $operation['palette'] ?? [];
        if (! is_array($given) || ! is_array($palette)) {
            throw Unusable::at($pointer, 'steps and a palette');
        }
        $new = $laid = [];
        $at = $this->indexBefore($operation, $pointer);
        foreach (array_values($given) as $number => $step) {
            if (! is_array($step) || ! is_string($step['kind'] ?? null) || preg_match('/^[a-z][a-z0-9]*$/D', StepList::idOf($step)) !== 1 || isset($new[StepList::idOf($step)])) {
                throw Unusable::at("$pointer/steps/$number", 'a step with a kind, and an id that no other of them has');
            }
            $old = StepList::idOf($step);
            $step = $this->renamed($step, $new);
            $step['id'] = $new[$old] = $this->steps->freeId((string) $step['kind']);
            $laid[] = array_diff_key($step, ['number' => true]);
            $this->added[] = $step['id'];
            $this->touched[$step['id']] = true;
        }
        $this->steps->insert($at, $laid);
        $this->plan['palette'] = (is_array($this->plan['palette'] ?? null) ? $this->plan['palette'] : []) + $palette;
        $name = $operation['name'] ?? null;
        $this->labels[] = 'Lay '.(is_string($name) ? mb_strtolower($name) : 'a construction');
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function set(array $operation, string $pointer): void
    {
        $index = $this->indexOf($operation['id'] ?? null, "$pointer/id");
        $field = $operation['field'] ?? null;
        if (! is_string($field) || preg_match('/^[a-z]+(\.[a-z0-9]+)?$/D', $field) !== 1 || in_array($field, ['id', 'kind'], true)) {
            throw Unusable::at("$pointer/field", 'the name of a parameter');
        }
        $step = $this->steps->step($index);
        $label = $this->labelOf($step);
        $step = Inside::with($step, explode('.', $field), $this->withNames(['value' => $operation['value'] ?? null])['value']);
        $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
        $step = $kind === null ? $step : $this->measureNames()->spelt($step, $kind);
        $this->steps->replace($index, $step);
        $this->bringMeasuresBefore($step, $field);
        if (! in_array($field, ['name', 'muted', 'hidden', 'fast'], true)) {
            $this->touched[StepList::idOf($step)] = true;
        }
        $this->labels[] = $field === 'name' ? "Rename $label" : "Change {$this->fieldLabel($step, $field)} of $label";
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function paint(array $operation, string $pointer): void
    {
        ['kind' => $name, 'field' => $field, 'on' => $on, 'cells' => $cells] = $operation + ['kind' => null, 'field' => null, 'on' => null, 'cells' => null];
        $painting = null;
        foreach ((is_string($name) ? $this->kinds->get($name) : null)?->fields() ?? [] as $one) {
            $painting = $one instanceof PaintedCellsField && $one->name === $field ? $one : $painting;
        }
        if (! is_string($name) || ! is_string($field) || $painting === null) {
            throw Unusable::at("$pointer/field", 'a field of painted cells, of its kind');
        }
        $laid = $this->steps->step($this->indexOf($on, "$pointer/on"))['kind'] ?? null;
        $painting->check($cells, "$pointer/cells");
        $last = null;
        foreach ($this->steps->all() as $index => $step) {
            // Of other things that lie on it none covers what is painted.
            $last = ($step['on'] ?? null) === $on && is_string($step['kind'] ?? null) && $this->kinds->get($step['kind'])?->makes() === Role::Part ? $index : $last;
        }
        $step = $last === null ? [] : $this->steps->step($last);
        $before = ($step['kind'] ?? null) === $name ? PaintedCellsField::written($step[$field] ?? null) : null;
        if ($before === null) {
            $this->add(['step' => ['kind' => $name, 'on' => $on, $field => $cells]], $pointer);
        } else {
            $over = PaintedCellsField::written($cells);
            $isOverlay = is_string($laid) && $this->kinds->get($laid)?->makes() === Role::Overlay;
            $now = $isOverlay ? PaintOver::onOverlay($before, $over) : PaintOver::over($before, $over, ($operation['along'] ?? 0) === 1 ? 1 : 0);
            $this->set(['id' => StepList::idOf($step), 'field' => $field, 'value' => $now], $pointer);
        }
        $this->labels = [...array_slice($this->labels, 0, -1), 'Paint'];
    }

    /**
     * A measure that a number takes has to stand before it; where it hangs on nothing that stands behind, it is moved there.
     *
     * @param  array<array-key, mixed>  $step  of which the field was set
     *
     * @throws Unusable
     */
    private function bringMeasuresBefore(array $step, string $field): void
    {
        $id = StepList::idOf($step);
        $named = json_encode($step[explode('.', $field)[0]] ?? null) ?: '';
        preg_match_all('/(?<![A-Za-z0-9_.])([a-z][a-z0-9]*)\.value/', $named, $found);
        foreach (array_unique($found[1]) as $measure) {
            $at = $this->steps->positionOf($measure);
            $here = $this->steps->positionOf($id);
            if ($at === null || $here === null || $at < $here || $this->latestReference($this->steps->step($at)) >= $here) {
                continue;
            }
            $labels = $this->labels;
            $this->move(['id' => $measure, 'before' => $id], '');
            $this->labels = $labels;
        }
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return int the position of the last of the steps that it names; -1 where it names none
     */
    private function latestReference(array $step): int
    {
        $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
        $latest = -1;
        foreach ($kind?->fields() ?? [] as $field) {
            foreach (isset($step[$field->name]) ? $field->references($step[$field->name]) : [] as $reference) {
                $latest = max($latest, $this->steps->positionOf($reference) ?? -1);
            }
        }

        return $latest;
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function remove(array $operation, string $pointer): void
    {
        $ids = $operation['ids'] ?? null;
        if (! is_array($ids) || $ids === []) {
            throw Unusable::at("$pointer/ids", 'a list of step ids');
        }
        $gone = [];
        foreach (array_values($ids) as $number => $id) {
            $index = $this->indexOf($id, "$pointer/ids/$number");
            if (isset($gone[$index])) {
                throw Unusable::at("$pointer/ids/$number", 'ids of steps, each once');
            }
            $gone[$index] = true;
            $this->labels[] = 'Delete '.$this->goneLabel($this->steps->step($index));
        }
        $lone = $this->withoutTheirLooks($gone);
        $chapters = Chapters::of($this->plan);
        $this->putChapters($chapters->isNone() ? $chapters : $chapters->withoutAll($lone, $this->steps->ids()), $lone);
        $before = $this->plan();
        $this->steps->remove($lone);
        $this->dropLoneNumbers($before);
    }

    /**
     * Looks and orders name what they are about; of what is gone they do not speak any more.
     *
     * @param  array<int, true>  $gone  positions of steps that are about to go
     * @return array<int, true> the same with the looks and orders that speak of nothing else
     */
    private function withoutTheirLooks(array $gone): array
    {
        $ids = array_fill_keys(array_map(fn (int $index): string => StepList::idOf($this->steps->step($index)), array_keys($gone)), true);
        foreach ($this->steps->all() as $index => $step) {
            $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
            if ($kind?->makes() !== Role::Look || isset($gone[$index]) || ! is_array($step['of'] ?? null)) {
                continue;
            }
            $isGone = static fn (mixed $name): bool => is_string($name) && array_filter(Address::idsIn($name), static fn (string $id): bool => isset($ids[$id])) !== [];
            $left = array_values(array_filter($step['of'], static fn (mixed $name): bool => ! $isGone($name)));
            $beside = array_filter([$step['above'] ?? null, $step['below'] ?? null], $isGone);
            if ($left === [] || $beside !== []) {
                $gone[$index] = true;
            } elseif (count($left) < count($step['of'])) {
                $this->steps->replace($index, [...$step, 'of' => $left]);
            }
        }

        return $gone;
    }

    /**
     * Numbers that arranging named go with the last place that they stood in.
     *
     * @param  array<array-key, mixed>  $before  the plan with what has gone
     */
    private function dropLoneNumbers(array $before): void
    {
        $values = is_array($this->plan['values'] ?? null) ? $this->plan['values'] : [];
        $named = array_filter(array_map(strval(...), array_keys($values)), static fn (string $name): bool => preg_match('/^(row|column)\d+$/D', $name) === 1);
        foreach ($named as $name) {
            $isIn = static fn (mixed $plan): bool => preg_match('/(?<![A-Za-z0-9_.])'.$name.'(?![A-Za-z0-9_.])/', json_encode($plan) ?: '') === 1;
            $others = array_diff_key($values, [$name => true]);
            if ($isIn($before['steps'] ?? []) && ! $isIn([$this->steps->all(), $others])) {
                unset($values[$name]);
                $this->plan['values'] = $values;
            }
        }
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function move(array $operation, string $pointer): void
    {
        $index = $this->indexOf($operation['id'] ?? null, "$pointer/id");
        $this->labels[] = 'Move '.$this->labelOf($this->steps->step($index));
        $chapters = Chapters::of($this->plan);
        $chapters = $chapters->isNone() ? $chapters : $chapters->withoutAll([$index => true], $this->steps->ids());
        [$step] = $this->steps->takeOut($index);
        $at = $this->indexBefore($operation, $pointer);
        if (($operation['leads'] ?? false) === true && $at < $this->steps->count()) {
            $chapters = $chapters->led(StepList::idOf($step), StepList::idOf($this->steps->step($at)));
        }
        $this->steps->insert($at, [$step]);
        $this->putChapters($chapters);
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function nameChapter(array $operation, string $pointer): void
    {
        $index = $this->indexOf($operation['from'] ?? null, "$pointer/from");
        $name = $operation['name'] ?? null;
        if ($name !== null && (! is_string($name) || ! PlanReader::isName($name))) {
            throw Unusable::at("$pointer/name", 'a name without markup (< >) and control characters, or null');
        }
        $chapters = Chapters::of($this->plan);
        $from = StepList::idOf($this->steps->step($index));
        $this->labels[] = $name === null ? "Dissolve chapter {$chapters->nameOf($from)}" : "Name chapter $name";
        $this->putChapters($chapters->named($from, $name));
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function moveChapter(array $operation, string $pointer): void
    {
        $index = $this->indexOf($operation['from'] ?? null, "$pointer/from");
        $chapters = Chapters::of($this->plan);
        $from = StepList::idOf($this->steps->step($index));
        $name = $chapters->nameOf($from);
        if ($name === null) {
            throw Unusable::at("$pointer/from", 'the first step of a chapter');
        }
        $moved = $this->steps->takeOut($index, count($chapters->steps($from, $this->steps->ids())));
        $at = $this->indexBefore($operation, $pointer);
        if ($at > 0 && $at < $this->steps->count() && $chapters->nameOf(StepList::idOf($this->steps->step($at))) === null) {
            throw Unusable::at("$pointer/before", 'the first step of another chapter, or null for the end');
        }
        $this->steps->insert($at, $moved);
        $this->putChapters($chapters);
        $this->labels[] = "Move chapter $name";
    }

    /** @param  array<int, true>  $gone  positions of steps that are about to go */
    private function putChapters(Chapters $chapters, array $gone = []): void
    {
        $listed = $chapters->isNone() ? [] : $chapters->listed(array_values(array_diff_key($this->steps->ids(), $gone)));
        if ($listed === []) {
            unset($this->plan['chapters']);
        } else {
            $this->plan['chapters'] = $listed;
        }
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function setSheet(array $operation, string $pointer): void
    {
        $field = $operation['field'] ?? null;
        if (! is_string($field) || ! in_array($field, self::SHEET, true)) {
            throw Unusable::at("$pointer/field", 'one of '.implode(', ', self::SHEET));
        }
        $sheet = is_array($this->plan['sheet'] ?? null) ? $this->plan['sheet'] : [];
        $path = explode('.', $field);
        // A background of nothing is written down as that.
        $this->plan['sheet'] = isset($path[1]) ? Inside::with($sheet, $path, $operation['value'] ?? null) : [...$sheet, $field => $operation['value'] ?? null];
        $this->labels[] = "Change the sheet’s $field";
    }

    /**
     * @param  'values'|'palette'  $map
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function setNamed(string $map, array $operation, string $pointer): void
    {
        $name = $operation['name'] ?? null;
        if (! is_string($name)) {
            throw Unusable::at("$pointer/name", 'a name');
        }
        $entries = is_array($this->plan[$map] ?? null) ? $this->plan[$map] : [];
        $this->plan[$map] = Inside::with($entries, [$name], $operation['value'] ?? null);
        $this->labels[] = 'Change '.($map === 'values' ? 'value' : 'colour')." $name";
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function addRamp(array $operation, string $pointer): void
    {
        $this->plan = PaletteEdit::withRamp($this->plan, $operation, $pointer);
        $this->labels[] = 'Add a ramp of '.(is_string($operation['of'] ?? null) ? $operation['of'] : 'a colour');
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function renameColour(array $operation, string $pointer): void
    {
        [$name, $to] = PaletteEdit::names($this->plan, $operation, $pointer);
        $this->plan = PaletteEdit::renamed($this->plan, $name, $to);
        $this->steps->recolour([$name => $to]);
        $this->labels[] = "Rename colour $name to $to";
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function recolour(array $operation, string $pointer): void
    {
        $map = PaletteEdit::map($operation, $pointer);
        $this->steps->recolour($map);
        $sheet = is_array($this->plan['sheet'] ?? null) ? $this->plan['sheet'] : [];
        $ground = $map[is_string($sheet['background'] ?? null) ? $sheet['background'] : ''] ?? null;
        if (is_string($ground)) {
            $this->plan['sheet'] = [...$sheet, 'background' => $ground === 'none' ? null : $ground];
        }
        $this->labels[] = 'Recolour '.implode(', ', array_slice(array_map(strval(...), array_keys($map)), 0, 3));
    }

    /** @throws Unusable */
    private function indexOf(mixed $id, string $pointer): int
    {
        $id = is_string($id) ? $this->named[$id] ?? $id : $id;

        return (is_string($id) ? $this->steps->positionOf($id) : null)
            ?? throw Unusable::at($pointer, 'the id of a step of the plan'.(is_string($id) ? '; “'.mb_strimwidth(mb_scrub($id), 0, 40, '…').'” is none' : ''));
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function indexBefore(array $operation, string $pointer): int
    {
        $before = $operation['before'] ?? null;

        return $before === null ? $this->steps->count() : (is_string($before) ? $this->steps->positionOf($before) : null)
            ?? throw Unusable::at("$pointer/before", 'the id of another step, or null for the end');
    }

    /**
     * Placeholders replaced by the ids they stand for, at any depth.
     *
     * @param  array<array-key, mixed>  $given
     * @return array<array-key, mixed>
     */
    private function withNames(array $given): array
    {
        return array_map(fn (mixed $value): mixed => match (true) {
            is_array($value) => $this->withNames($value),
            is_string($value) => $this->named[$value] ?? $this->withNamesInside($value),
            default => $value,
        }, $given);
    }

    /** A place or a number of a step that was just added: `+new!`, `+new.width*2`. */
    private function withNamesInside(string $text): string
    {
        return ! str_contains($text, '+') || $this->named === [] ? $text : preg_replace_callback(
            '/(?<![\w.)\s+])\+[a-z]\w*(?=[.!@#*~\[])/', fn (array $found): string => $this->named[$found[0]] ?? $found[0], $text,
        ) ?? $text;
    }

    /**
     * A step that names others by their new ids: wherever its fields name steps, and nowhere else.
     *
     * @param  array<array-key, mixed>  $step
     * @param  array<string, string>  $new  by old id
     * @return array<array-key, mixed>
     */
    private function renamed(array $step, array $new): array
    {
        $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
        foreach ($kind?->fields() ?? [] as $field) {
            $path = explode('.', $field->name);
            $outer = $step[$path[0]] ?? null;
            $said = isset($path[1]) ? (is_array($outer) ? $outer[$path[1]] ?? null : null) : $outer;
            if ($said !== null) {
                $step = Inside::with($step, $path, $field->renamed($said, $new));
            }
        }

        return $step;
    }

    /**
     * What the plan calls a step. Of a change of many only the first ones are named.
     *
     * @param  array<array-key, mixed>  $step
     */
    private function labelOf(array $step): string
    {
        return count($this->labels) < self::NAMED ? $this->steps->labelOf($step) : StepList::idOf($step);
    }

    /**
     * What goes may be the move of a part, not the part.
     *
     * @param  array<array-key, mixed>  $step
     */
    private function goneLabel(array $step): string
    {
        $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;

        return ($kind?->namesake($step) === null || isset($step['name']) ? '' : "the {$kind->word()} of ").$this->labelOf($step);
    }

    /** @param  array<array-key, mixed>  $step */
    private function fieldLabel(array $step, string $name): string
    {
        $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
        foreach ($kind?->fields() ?? [] as $field) {
            if ($field->name === $name) {
                return $field->label;
            }
        }

        return $name;
    }
}
