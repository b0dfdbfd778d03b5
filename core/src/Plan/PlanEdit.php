<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/**
 * Changes to a plan as small operations, so that a change made on an older plan can be made again on a newer one.
 *
 * | operation | what it does |
 * |---|---|
 * | `{op: "add", step, before?}` | puts a step in; an id that begins with `+` is replaced by a free one, also where later operations name it |
 * | `{op: "set", id, field, value}` | sets a parameter, or `name`, `muted`, `hidden`; null takes it away |
 * | `{op: "remove", ids}` | takes steps out |
 * | `{op: "move", id, before, leads?}` | moves a step before another, or to the end for null; one that leads is the first of the chapter that began with the other |
 * | `{op: "chapter", from, name}` | names the chapter that begins with a step, or lets one begin there; null gives its steps to the one before |
 * | `{op: "move-chapter", from, before}` | moves the steps of a chapter before another step, or to the end for null |
 * | `{op: "sheet", field, value}` | sets a property of the sheet |
 * | `{op: "value", name, value}` | sets a named number; null takes it away |
 * | `{op: "colour", name, value}` | sets a palette colour; null takes it away |
 * | `{op: "lay", name, steps, palette, before?}` | puts several steps in that refer to one another; they get free ids, everywhere they are named, and the colours that the plan lacks come along |
 * | `{op: "rename-colour", name, to}` | renames one, everywhere it is used |
 *
 * It does not check the outcome: PlanReader does.
 */
final class PlanEdit
{
    private const SHEET = ['width', 'height', 'unit', 'background', 'checks.sliver', 'checks.miss'];

    /** @var array<string, string> placeholder to id */
    private array $named = [];

    /** @var list<string> ids of added steps */
    private array $added = [];

    /** @var array<string, true> ids of steps of which a parameter was set, or that are new */
    private array $touched = [];

    /** @var list<string> */
    private array $labels = [];

    /** @param  array<array-key, mixed>  $plan */
    private function __construct(private array $plan, private readonly Kinds $kinds)
    {
    }

    /**
     * @param  array<array-key, mixed>  $plan  that PlanReader lets through
     * @param  array<array-key, mixed>  $operations
     *
     * @throws Unusable with a pointer into the operations
     */
    public static function apply(array $plan, array $operations, Kinds $kinds): self
    {
        $edit = new self($plan, $kinds);
        foreach (array_values($operations) as $index => $operation) {
            $edit->perform(is_array($operation) ? $operation : [], "/operations/$index");
        }

        return $edit;
    }

    /** @return array<array-key, mixed> */
    public function plan(): array
    {
        return $this->plan;
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
            'move' => $this->move($operation, $pointer),
            'chapter' => $this->nameChapter($operation, $pointer),
            'move-chapter' => $this->moveChapter($operation, $pointer),
            'sheet' => $this->setSheet($operation, $pointer),
            'value' => $this->setNamed('values', $operation, $pointer),
            'colour' => $this->setNamed('palette', $operation, $pointer),
            'rename-colour' => $this->renameColour($operation, $pointer),
            'lay' => $this->lay($operation, $pointer),
            default => throw Unusable::at("$pointer/op", 'one of add, set, remove, move, chapter, move-chapter, sheet, value, colour, rename-colour, lay'),
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
            $step['id'] = $this->freeId($step['kind']);
            $this->named[$id] = $step['id'];
        }
        $steps = $this->steps();
        array_splice($steps, $this->indexBefore($operation, $pointer, $steps), 0, [$step]);
        $this->plan['steps'] = $steps;
        if (is_string($step['id'])) {
            $this->added[] = $step['id'];
            $this->touched[$step['id']] = true;
        }
        $kind = $this->kinds->get($step['kind']);
        $this->labels[] = $kind === null ? 'Add a step' : 'Add '.mb_strtolower($kind->label());
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
        $steps = $this->steps();
        $at = $this->indexBefore($operation, $pointer, $steps);
        $taken = array_fill_keys(array_map(self::idOf(...), $steps), true);
        $numbers = [];
        foreach (array_values($given) as $number => $step) {
            if (! is_array($step) || ! is_string($step['kind'] ?? null) || preg_match('/^[a-z][a-z0-9]*$/D', self::idOf($step)) !== 1 || isset($new[self::idOf($step)])) {
                throw Unusable::at("$pointer/steps/$number", 'a step with a kind, and an id that no other of them has');
            }
            $old = self::idOf($step);
            $step = $this->renamed($step, $new);
            $prefix = $this->prefixOf($step['kind']);
            do {
                $numbers[$prefix] = ($numbers[$prefix] ?? 0) + 1;
            } while (isset($taken[$prefix.$numbers[$prefix]]));
            $step['id'] = $new[$old] = $prefix.$numbers[$prefix];
            $laid[] = $step;
            $this->added[] = $step['id'];
            $this->touched[$step['id']] = true;
        }
        array_splice($steps, $at, 0, $laid);
        $this->plan['steps'] = $steps;
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
        $steps = $this->steps();
        $label = $this->labelOf($steps[$index]);
        $path = explode('.', $field);
        $steps[$index] = self::withSet($steps[$index], $path, $this->withNames(['value' => $operation['value'] ?? null])['value']);
        $this->plan['steps'] = $steps;
        if (! in_array($field, ['name', 'muted', 'hidden'], true)) {
            $this->touched[self::idOf($steps[$index])] = true;
        }
        $this->labels[] = $field === 'name' ? "Rename $label" : "Change {$this->fieldLabel($steps[$index], $field)} of $label";
    }

    /**
     * @param  array<array-key, mixed>  $map
     * @param  list<string>  $path
     * @return array<array-key, mixed>
     */
    private static function withSet(array $map, array $path, mixed $value): array
    {
        $key = $path[0];
        if (count($path) > 1) {
            $inner = self::withSet(is_array($map[$key] ?? null) ? $map[$key] : [], array_slice($path, 1), $value);
            if ($inner === []) {
                unset($map[$key]);
            } else {
                $map[$key] = $inner;
            }
        } elseif ($value === null) {
            unset($map[$key]);
        } else {
            $map[$key] = $value;
        }

        return $map;
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
        foreach (array_values($ids) as $number => $id) {
            $index = $this->indexOf($id, "$pointer/ids/$number");
            $steps = $this->steps();
            $this->labels[] = 'Delete '.$this->labelOf($steps[$index]);
            $chapters = Chapters::of($this->plan)->without(self::idOf($steps[$index]), $this->ids());
            array_splice($steps, $index, 1);
            $this->plan['steps'] = $steps;
            $this->putChapters($chapters);
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
        $steps = $this->steps();
        $this->labels[] = 'Move '.$this->labelOf($steps[$index]);
        $chapters = Chapters::of($this->plan)->without(self::idOf($steps[$index]), $this->ids());
        [$step] = array_splice($steps, $index, 1);
        $at = $this->indexBefore($operation, $pointer, $steps);
        if (($operation['leads'] ?? false) === true && isset($steps[$at])) {
            $chapters = $chapters->led(self::idOf($step), self::idOf($steps[$at]));
        }
        array_splice($steps, $at, 0, [$step]);
        $this->plan['steps'] = $steps;
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
        $from = self::idOf($this->steps()[$index]);
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
        $steps = $this->steps();
        $from = self::idOf($steps[$index]);
        $name = $chapters->nameOf($from);
        if ($name === null) {
            throw Unusable::at("$pointer/from", 'the first step of a chapter');
        }
        $moved = array_splice($steps, $index, count($chapters->steps($from, $this->ids())));
        $at = $this->indexBefore($operation, $pointer, $steps);
        if ($at > 0 && isset($steps[$at]) && $chapters->nameOf(self::idOf($steps[$at])) === null) {
            throw Unusable::at("$pointer/before", 'the first step of another chapter, or null for the end');
        }
        array_splice($steps, $at, 0, $moved);
        $this->plan['steps'] = $steps;
        $this->putChapters($chapters);
        $this->labels[] = "Move chapter $name";
    }

    private function putChapters(Chapters $chapters): void
    {
        $listed = $chapters->listed($this->ids());
        if ($listed === []) {
            unset($this->plan['chapters']);
        } else {
            $this->plan['chapters'] = $listed;
        }
    }

    /** @return list<string> */
    private function ids(): array
    {
        return array_map(self::idOf(...), $this->steps());
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
        $this->plan['sheet'] = isset($path[1]) ? self::withSet($sheet, $path, $operation['value'] ?? null) : [...$sheet, $field => $operation['value'] ?? null];
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
        $this->plan[$map] = self::withSet($entries, [$name], $operation['value'] ?? null);
        $this->labels[] = 'Change '.($map === 'values' ? 'value' : 'colour')." $name";
    }

    /**
     * @param  array<array-key, mixed>  $operation
     *
     * @throws Unusable
     */
    private function renameColour(array $operation, string $pointer): void
    {
        $name = $operation['name'] ?? null;
        $to = $operation['to'] ?? null;
        $palette = is_array($this->plan['palette'] ?? null) ? $this->plan['palette'] : [];
        if (! is_string($name) || ! isset($palette[$name])) {
            throw Unusable::at("$pointer/name", 'the name of a colour of the palette');
        }
        if (! is_string($to) || isset($palette[$to])) {
            throw Unusable::at("$pointer/to", 'a name that no other colour has');
        }
        $palette[$to] = $palette[$name];
        unset($palette[$name]);
        $this->plan['palette'] = $palette;
        $sheet = is_array($this->plan['sheet'] ?? null) ? $this->plan['sheet'] : [];
        if (($sheet['background'] ?? null) === $name) {
            $sheet['background'] = $to;
            $this->plan['sheet'] = $sheet;
        }
        $steps = $this->steps();
        foreach ($steps as $index => $step) {
            $kind = is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null;
            foreach ($kind?->fields() ?? [] as $field) {
                $path = explode('.', $field->name);
                $outer = $step[$path[0]] ?? null;
                $said = isset($path[1]) ? (is_array($outer) ? $outer[$path[1]] ?? null : null) : $outer;
                if ($field->type() === 'colour' && $said === $name) {
                    $steps[$index] = self::withSet($steps[$index], $path, $to);
                }
            }
        }
        $this->plan['steps'] = $steps;
        $this->labels[] = "Rename colour $name to $to";
    }

    /** @return list<array<array-key, mixed>> */
    private function steps(): array
    {
        return array_values(array_filter(is_array($this->plan['steps'] ?? null) ? $this->plan['steps'] : [], is_array(...)));
    }

    /** @throws Unusable */
    private function indexOf(mixed $id, string $pointer): int
    {
        $id = is_string($id) ? $this->named[$id] ?? $id : $id;
        foreach ($this->steps() as $index => $step) {
            if (self::idOf($step) === $id) {
                return $index;
            }
        }
        throw Unusable::at($pointer, 'the id of a step of the plan'.(is_string($id) ? '; “'.mb_strimwidth(mb_scrub($id), 0, 40, '…').'” is none' : ''));
    }

    /**
     * @param  array<array-key, mixed>  $operation
     * @param  list<array<array-key, mixed>>  $steps
     *
     * @throws Unusable
     */
    private function indexBefore(array $operation, string $pointer, array $steps): int
    {
        $before = $operation['before'] ?? null;
        if ($before === null) {
            return count($steps);
        }
        foreach ($steps as $index => $step) {
            if (self::idOf($step) === $before) {
                return $index;
            }
        }
        throw Unusable::at("$pointer/before", 'the id of another step, or null for the end');
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
            is_string($value) => $this->named[$value] ?? $value,
            default => $value,
        }, $given);
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
                $step = self::withSet($step, $path, $field->renamed($said, $new));
            }
        }

        return $step;
    }

    private function prefixOf(string $kind): string
    {
        return $this->kinds->get($kind)?->idPrefix() ?? 'x';
    }

    private function freeId(string $kind): string
    {
        $prefix = $this->prefixOf($kind);
        $taken = array_flip(array_map(self::idOf(...), $this->steps()));
        $number = 1;
        while (isset($taken[$prefix.$number])) {
            $number++;
        }

        return $prefix.$number;
    }

    /** @param  array<array-key, mixed>  $step */
    private static function idOf(array $step): string
    {
        return is_string($step['id'] ?? null) ? $step['id'] : '';
    }

    /**
     * What the plan calls a step: its name, or its sort and number.
     *
     * @param  array<array-key, mixed>  $step
     */
    private function labelOf(array $step): string
    {
        if (is_string($step['name'] ?? null)) {
            return $step['name'];
        }
        $word = $this->wordOf($step);
        $number = 0;
        foreach ($this->steps() as $one) {
            $number += $this->wordOf($one) === $word ? 1 : 0;
            if (self::idOf($one) === self::idOf($step)) {
                break;
            }
        }

        return "$word $number";
    }

    /** @param  array<array-key, mixed>  $step */
    private function wordOf(array $step): string
    {
        return (is_string($step['kind'] ?? null) ? $this->kinds->get($step['kind']) : null)?->word() ?? 'step';
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
