<?php

declare(strict_types=1);

namespace Sternbild\Core\Evaluation;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Paint\Look;
use Sternbild\Core\Paint\PatternFill;
use Sternbild\Core\Paint\Recoloured;
use Sternbild\Core\Paint\Reorder;
use Sternbild\Core\Paint\Style;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Shape\Blend;
use Sternbild\Core\Shape\Figure;
use Sternbild\Core\Shape\Painted;
use Sternbild\Core\Shape\Part;
use Sternbild\Core\Shape\Stretches;

/** Which parts are drawn, in which order, and how they look. */
final class Drawing
{
    /** How much wider than a band that is drawn which is cut off at its outline. */
    private const OVER = 1.02;

    /** @var array<string, true> ids of steps of which nothing is left to be drawn by itself */
    private array $gone = [];

    /** @var array<string, true> ids of steps that a motif is made of */
    private array $inside = [];

    /** @var array<string, array<int, true>> figures that were used up singly, by step */
    private array $goneFigures = [];

    /** @var list<string> ids of parts from back to front, those that are gone among them */
    private array $order = [];

    /** @var array<string, list<string>> the steps whose looks a result takes on, by the step that made it */
    private array $inherited = [];

    /** @var array<string, Figure> what it takes them on from */
    private array $models = [];

    /** @var array<int, array{Gradient, Gradient|null}> gradients along ways, as shapes have them, by their ids */
    private array $along = [];

    /** @var array<string, Style> looks with gradients as shapes have them */
    private array $placed = [];

    /** @var list<Look> */
    private array $looks = [];

    /** Patterns inside of patterns: one inside one. */
    private const DEEPEST = 2;

    /** @var array<string, DrawnPart> patterns that fill something */
    private array $cells = [];

    /** @var array<string, true> those that are being worked out */
    private array $within = [];

    /** Copies that one figure may be filled with. */
    private const MOST_WITHIN = 20_000;

    /** @var array<int, array{string, string}> */
    private array $unshown = [];

    /**
     * @param  array<string, Evaluated>  $known  the results of the plan
     * @param  array<string, list<Evaluated>>  $sources  what each step is made of
     * @param  array<string, list<Evaluated>>  $usedUp  and what of that is not drawn by itself any more
     */
    public function __construct(private readonly Plan $plan, private readonly array $known, private readonly array $sources, array $usedUp)
    {
        foreach ($usedUp as $by => $those) {
            foreach ($those as $used) {
                if (! $plan->steps[$by]->kind->isDrawn()) {
                    $this->inside[$used->step()] = true;
                }
                if ($used->figures === null) {
                    $this->gone[$used->step()] = true;
                } else {
                    $this->goneFigures[$used->step()] = ($this->goneFigures[$used->step()] ?? []) + array_fill_keys($used->figures, true);
                }
            }
        }
        foreach ($known as $id => $step) {
            if ($step->result instanceof Part) {
                $this->inherit($id, $step->result, $sources[$id] ?? []);
                $this->place($id, $usedUp[$id] ?? []);
            } elseif ($step->result instanceof Look) {
                $this->looks[] = $step->result;
            } elseif ($step->result instanceof Reorder) {
                $this->reorder($step->result);
            }
        }
    }

    /** @return array<string, Painted> what of painted cells is left after what was painted over them, by step; those that are drawn */
    public function paints(): array
    {
        $paints = [];
        foreach ($this->order as $id) {
            $painted = $this->known[$id]->result instanceof Part ? $this->known[$id]->result->painted : null;
            if ($painted === null || isset($this->gone[$id]) || $this->plan->steps[$id]->hidden) {
                continue;
            }
            $clear = $this->clear($id, $painted);
            foreach ($paints as $before => $one) {
                $paints[$before] = $one->grid === $painted->grid ? $one->under($painted, $clear) : $one;
            }
            $paints[$id] = $painted;
        }

        return $paints;
    }

    /** @return list<string> names of the colours of painted cells that something is seen through, by their looks */
    private function clear(string $id, Painted $painted): array
    {
        $part = $this->known[$id]->result;
        $styles = $part instanceof Part && $painted->counts() !== [] ? $this->styles($id, $part, []) : [];

        return array_values(
            array_filter(
                array_map(
                    static fn (int|string $name, ?Style $style): ?string => $style?->covers() === false ? (string) $name : null,
                    array_keys($painted->counts()),
                    $styles,
                ),
                static fn (?string $name): bool => $name !== null,
            ),
        );
    }

    /** @return list<DrawnPart> from back to front */
    public function arranged(): array
    {
        $drawn = [];
        $paints = $this->paints();
        foreach ($this->order as $id) {
            $part = $this->known[$id]->result;
            if (
                $part instanceof Part &&
                ! $part->isEmpty() &&
                ! isset($this->gone[$id]) &&
                ! $this->plan->steps[$id]->hidden &&
                $this->plan->steps[$id]->kind->isDrawn()
            ) {
                $gone = $this->goneFigures[$id] ?? [];
                if (isset($paints[$id])) {
                    if ($paints[$id]->counts() === []) {
                        continue;
                    }
                    $part = $paints[$id]->cells === $part->painted?->cells ? $part : Part::painted($paints[$id], $id);
                }
                // What is said of single copies is so of these only.
                $part = $part->spread !== null && ($gone !== [] || $this->singly($id) !== []) ? $part->spelt() : $part;
                $drawn[] = new DrawnPart($id, $part, $this->styles($id, $part, $gone));
            }
        }

        return $drawn;
    }

    /**
     * What a motif is made of, where it lies: to be seen by whoever works on it, and in no result.
     *
     * @return list<DrawnPart> from back to front
     */
    public function inside(): array
    {
        $drawn = [];
        foreach ($this->order as $id) {
            $part = $this->known[$id]->result;
            if ($part instanceof Part && ! $part->isEmpty() && isset($this->inside[$id]) && ! $this->plan->steps[$id]->hidden) {
                $drawn[] = new DrawnPart($id, $part, $this->styles($id, $part, []));
            }
        }

        return $drawn;
    }

    /** @return array<string, true> ids of steps that are not shown by themselves any more, guides among them */
    public function usedUp(): array
    {
        return $this->gone;
    }

    /** @param  list<Evaluated>  $used */
    private function place(string $id, array $used): void
    {
        $at = null;
        if ($this->plan->steps[$id]->kind->staysInPlace()) {
            foreach ($used as $one) {
                $place = array_search($one->step(), $this->order, true);
                $at = $place === false ? $at : max($at ?? 0, $place + 1);
            }
        }
        array_splice($this->order, $at ?? count($this->order), 0, [$id]);
    }

    /**
     * A result of its own making looks like what it was made of, until it is given a look.
     *
     * @param  list<Evaluated>  $sources
     */
    private function inherit(string $id, Part $part, array $sources): void
    {
        $parts = array_values(array_filter($sources, static fn (Evaluated $source): bool => $source->result instanceof Part));
        if ($part->first()?->steps[0] !== $id || $parts === []) {
            return;
        }
        $model = $parts[0];
        if (! $this->plan->steps[$id]->kind->looksLikeFirst()) {
            foreach ($parts as $source) {
                if (array_search($source->step(), $this->order, true) > array_search($model->step(), $this->order, true)) {
                    $model = $source;
                }
            }
        }
        $figure = $model->result instanceof Part ? $model->result->last() : null;
        if ($figure !== null) {
            $this->inherited[$id] = $this->history($figure->steps);
            $this->models[$id] = $figure;
        }
    }

    /**
     * @param  list<string>  $steps  that a figure came through
     * @return list<string> and what the first of them looks like
     */
    private function history(array $steps): array
    {
        return [...$this->inherited[$steps[0] ?? ''] ?? [], ...$steps];
    }

    private function reorder(Reorder $reorder): void
    {
        $moved = array_values(array_intersect($this->order, $reorder->of));
        $rest = array_values(array_diff($this->order, $reorder->of));
        // Beside a part that is not drawn by itself there is no place; the order stays.
        $beside = $reorder->beside === null || isset($this->gone[$reorder->beside]) ? false : array_search($reorder->beside, $rest, true);
        $at = match ($reorder->to) {
            'front' => count($rest),
            'back' => 0,
            'above' => $beside === false ? null : $beside + 1,
            'below' => $beside === false ? null : $beside,
        };
        if ($at !== null) {
            array_splice($rest, $at, 0, $moved);
            $this->order = $rest;
        }
    }

    /**
     * @param  array<int, true>  $gone  figures that are not drawn
     * @return list<Style|null>
     */
    private function styles(string $id, Part $part, array $gone): array
    {
        $byHistory = [];
        $styles = [];
        $singly = $this->singly($id);
        foreach ($part->spread?->ofCell() ?? $part->figures() as $number => $figure) {
            $own = $singly[$number] ?? [];
            $key =
                implode(' ', $figure->steps).
                ($figure->blend === null ? '' : ' '.$figure->blend->key()).
                ($own === [] ? '' : ' '.implode(' ', array_keys($own))).
                ($figure->tint === null ? '' : ' '.spl_object_id($figure->tint)).
                ($figure->recoloured === null ? '' : " {$figure->recoloured->since} {$figure->recoloured->colour}");
            $styles[] = isset($gone[$number]) ? null : $this->placed($byHistory[$key] ??= $this->style($figure, $own), $figure);
        }

        return $styles;
    }

    /**
     * The looks that were said for single figures: of the step itself, or of the one that it brought elsewhere figure by figure.
     *
     * @return array<int, array<int, true>> numbers of looks, by figure
     */
    private function singly(string $id): array
    {
        $found = [];
        foreach ($this->looks as $look => $said) {
            foreach ($said->figures[$id] ?? [] as $figure) {
                $found[$figure][$look] = true;
            }
        }
        $sources = $this->sources[$id] ?? [];
        $source = count($sources) === 1 && $sources[0]->step === null ? $sources[0] : null;
        $part = ($this->known[$id] ?? null)?->result;
        if ($source?->result instanceof Part && $part instanceof Part && $source->result->count() === $part->count()) {
            foreach ($this->singly($source->id) as $figure => $looks) {
                $found[$figure] = ($found[$figure] ?? []) + $looks;
            }
        }

        return $found;
    }

    /**
     * @param  array<int, true>  $own  numbers of looks that were said for it singly
     * @return array{Style, array<string, int>} and the looks that said its gradients, by field
     */
    private function style(Figure $figure, array $own): array
    {
        $said = [...($figure->tint === null ? [] : ['fill' => $figure->tint]), ...$this->said($this->history($figure->steps), [], $own)];
        $said = $figure->recoloured === null ? $said : $this->recoloured($said, $figure->recoloured, $figure->steps, $own);

        return [$this->between(Style::of($said), $figure->blend), array_filter([
            'fill' => $said['fill from'] ?? null, 'stroke.color' => $said['stroke.color from'] ?? null,
        ], is_int(...))];
    }

    /** A look on its way to that of another. */
    private function between(Style $style, ?Blend $blend): Style
    {
        return $blend === null
            ? $style
            : $this->between($style, $blend->from)->towards(
                $this->between(Style::of($this->said($this->history($blend->steps), [])), $blend->to),
                $blend->share,
            );
    }

    /**
     * A look with the colour that a copy got: over what was said of what it was made of, under what was said of it and its like.
     *
     * @param  array<string, mixed>  $said
     * @param  list<string>  $steps  that it came through
     * @param  array<int, true>  $own  numbers of looks that were said for it singly
     * @return array<string, mixed>
     */
    private function recoloured(array $said, Recoloured $copy, array $steps, array $own): array
    {
        $style = Style::of($said);
        $field = $style->fill === 'none' && $style->stroke !== 'none' ? 'stroke.color' : 'fill';
        $later = $this->said(array_slice($steps, $copy->since), [], $own);

        return isset($later[$field])
            ? [...$said, $field => $later[$field], "$field from" => $later["$field from"]]
            : [...array_diff_key($said, ["$field from" => true]), $field => $copy->colour];
    }

    /**
     * A look as a figure has it: its gradients lie where they were said to, and went with the figure since.
     *
     * @param  array{Style, array<string, int>}  $said
     */
    private function placed(array $said, Figure $figure): Style
    {
        [$style, $looks] = $said;
        if ($style->gradient === null && $style->strokeGradient === null && $style->pattern === null) {
            return $style;
        }
        $fill = $style->gradient === null ? null : $this->gradient($style->gradient, $looks['fill'] ?? null, $figure);
        $stroke = $style->strokeGradient === null ? null : $this->gradient($style->strokeGradient, $looks['stroke.color'] ?? null, $figure);
        $pattern = $style->pattern === null ? null : $this->patterned($style->pattern, $looks['fill'] ?? null, $figure);
        $own = $style->with($fill, $stroke, $pattern);

        // Copies have one and the same, however their maps were rounded.
        return $this->placed[
            serialize([
                $own->with(null, null, null),
                $fill?->key(),
                $stroke?->key(),
                $pattern?->key(),
                $fill?->sort === 'along' ? spl_object_id($figure->shape) : 0,
            ])
        ] ??= $own;
    }

    /** A pattern as a figure has it, in the coordinates of its shape; null where it would be inside of what it is made of, or too deep. */
    private function patterned(PatternFill $fill, ?int $look, Figure $figure): ?PatternFill
    {
        $cell = $this->cellOf($fill->pattern);
        if ($cell === null) {
            $this->unshown[$look ?? -1] = [
                $fill->pattern,
                'cannot fill what it is made of itself, nor what lies in a pattern inside a pattern',
            ];

            return null;
        }
        $steps = $look === null ? [] : [...$this->looks[$look]->of, ...array_keys($this->looks[$look]->figures)];
        $plain = $cell->looks()[0]->fill ?? 'none';

        $own = $fill
            ->mapped($this->since($steps, $figure)->then($figure->map->inverse()))
            ->shownAs($plain === 'none' ? $fill->plain : $plain);
        $many = $cell->part->spread?->copiesWithin($figure->shape->bounds()->mapped($own->map->inverse())) ?? 0;
        if ($many > self::MOST_WITHIN) {
            $this->unshown[$look ?? -1] = [
                $fill->pattern,
                'would show '.number_format($many).' copies in one part; at most '.number_format(self::MOST_WITHIN).' are possible',
            ];

            return null;
        }

        return $own;
    }

    /**
     * The first cell of a pattern with its looks; null where it is worked out already further out, or inside a pattern inside a pattern.
     */
    private function cellOf(string $id): ?DrawnPart
    {
        $part = ($this->known[$id] ?? null)?->result;
        if (! $part instanceof Part || $part->spread === null || isset($this->within[$id]) || count($this->within) >= self::DEEPEST) {
            return null;
        }
        if (! isset($this->cells[$id])) {
            $this->within[$id] = true;
            $this->cells[$id] = new DrawnPart($id, $part, $this->styles($id, $part, []));
            unset($this->within[$id]);
        }
        // What was worked out further out may hold too many inside of one another here.
        foreach ($this->within === [] ? [] : $this->cells[$id]->looks() as $style) {
            if ($style->pattern !== null) {
                return null;
            }
        }

        return $this->cells[$id];
    }

    /** @return array<string, DrawnPart> the patterns that fill something, or are not drawn by themselves */
    public function cells(): array
    {
        foreach ($this->known as $id => $step) {
            if (
                $step->result instanceof Part &&
                isset($step->result->facts['area']) &&
                (isset($this->gone[$id]) || $this->plan->steps[$id]->hidden)
            ) {
                $this->cellOf($id);
            }
        }

        return $this->cells;
    }

    /**
     * @return array<int, array{string, string}> looks that fill with a pattern that cannot be shown there, by number: that pattern, and
     *   why; -1 for what was not said by a look
     */
    public function unshown(): array
    {
        return $this->unshown;
    }

    /** @return Gradient|null null where there is no way to follow: then there is one colour only */
    private function along(Gradient $gradient, Figure $figure): ?Gradient
    {
        $shape = spl_object_id($figure->shape);
        if (! isset($this->along[$shape]) || $this->along[$shape][0] !== $gradient) {
            $strand = $figure->strandOfShape();
            $this->along[$shape] = [
                $gradient,
                $strand === null
                    ? null
                    : $gradient->stretched(
                        Stretches::along($strand->way, $gradient->steps(), $strand->isClosed($this->plan->tolerance()->distance)),
                        2.0 * max($strand->left, $strand->right) * self::OVER,
                    ),
            ];
        }

        return $this->along[$shape][1];
    }

    private function gradient(Gradient $gradient, ?int $look, Figure $figure): ?Gradient
    {
        if ($gradient->sort === 'along') {
            return $this->along($gradient, $figure);
        }
        if ($look === null) {
            return $gradient;
        }
        if ($gradient->isOpen()) {
            return $gradient->fitted($figure->shape->bounds());
        }
        $steps = [...$this->looks[$look]->of, ...array_keys($this->looks[$look]->figures)];
        $map = $this->since($steps, $figure)->then($figure->map->inverse());

        return $gradient->isPlaced()
            ? $gradient->mapped($map)
            : $gradient->fitted($figure->shape->bounds()->mapped($map->inverse()))->mapped($map);
    }

    /**
     * What brings a place from where a look for some steps has it to where the figure is.
     *
     * @param  list<string>  $steps
     */
    private function since(array $steps, Figure $figure): Affine
    {
        $map = $figure->since(...$steps);
        if ($map !== null) {
            return $map;
        }
        $made = $figure->steps[0] ?? '';
        $model = $this->models[$made] ?? null;

        return $model === null ? Affine::identity() : $this->since($steps, $model)->then($figure->since($made) ?? Affine::identity());
    }

    /**
     * What was said of the look of a figure, entry by entry.
     *
     * @param  list<string>  $history
     * @param  array<int, true>  $within  looks that are being worked out; one that looks like itself adds nothing
     * @param  array<int, true>  $own  looks that were said for the figure singly
     * @return array<string, mixed> with `fill from` and `stroke.color from`, the numbers of the looks that said them
     */
    private function said(array $history, array $within, array $own = []): array
    {
        $said = [];
        foreach ($this->looks as $number => $look) {
            if (isset($own[$number]) || array_intersect($look->of, $history) !== []) {
                $like =
                    $look->like === [] || isset($within[$number])
                        ? []
                        : $this->said($this->history($look->like), $within + [$number => true]);
                $said = [...$said, ...$like, ...$look->style];
                foreach (['fill', 'stroke.color'] as $field) {
                    if (isset($look->style[$field])) {
                        $said["$field from"] = $number;
                    }
                }
            }
        }

        return $said;
    }
}
