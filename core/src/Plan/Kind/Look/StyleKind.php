<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Look;

use Sternbild\Core\Paint\Gradient;
use Sternbild\Core\Paint\Look;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\DashField;
use Sternbild\Core\Plan\Field\NumberField;
use Sternbild\Core\Plan\Field\PaintField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Result;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** How parts look: fill, stroke, opacity, blend. Copies follow the part they were made from; a later step goes over an earlier one. */
#[Called('style', label: 'Look', word: 'look', prefix: 's', purpose: Purpose::Look)]
final class StyleKind extends Kind
{
    private const LOOKS = ['fill', 'stroke.color', 'stroke.width', 'stroke.join', 'stroke.cap', 'stroke.dash', 'opacity', 'blend'];

    public function makes(): Role
    {
        return Role::Look;
    }

    /** @return list<Field> */
    protected function declared(): array
    {
        return [
            StepsField::parts('of', 'parts'),
            new StepField('like', 'look of'),
            new PaintField('fill', 'fill'),
            new PaintField('stroke.color', 'stroke colour', fills: false),
            NumberField::length('stroke.width', 'stroke width'),
            new ChoiceField('stroke.join', 'stroke corners', ['miter' => 'mitred', 'round' => 'round', 'bevel' => 'bevelled']),
            new ChoiceField('stroke.cap', 'stroke ends', ['butt' => 'flat', 'round' => 'round', 'square' => 'square']),
            new DashField('stroke.dash', 'dashes'),
            NumberField::share('opacity', 'opacity'),
            new ChoiceField('blend', 'blend', [
                'normal' => 'normal',
                'multiply' => 'multiply',
                'screen' => 'screen',
                'darken' => 'darken',
                'lighten' => 'lighten',
            ]),
        ];
    }

    public function sentence(Step $step): string
    {
        $stroke = '[, {stroke.join} corners][, {stroke.cap} ends][, dashed {stroke.dash}]';
        $rest = '[, opacity {opacity}][, blended by {blend}].';
        if ($step->says('like')) {
            return "Show {of} like {like}[, filled with {fill}][, stroke in {stroke.color}][, {stroke.width} wide]$stroke$rest";
        }
        if ($step->says('fill')) {
            return "Fill {of} with {fill}[, stroke in {stroke.color}][, {stroke.width} wide]$stroke$rest";
        }
        if ($step->says('stroke')) {
            return "Stroke {of} with {stroke.color}, {stroke.width} wide$stroke$rest";
        }

        return 'Show {of}'.$rest;
    }

    public function pulls(Arguments $given, Result $result): array
    {
        $figure = ($given->parts('of')[0] ?? null)?->first();
        $pulls = [];
        foreach (['fill', 'stroke.color'] as $field) {
            $gradient = $given->has($field) ? $given->paint($field) : null;
            if ($figure !== null && $gradient instanceof Gradient) {
                array_push($pulls, ...GradientPulls::handles($field, $gradient, $figure, max($given->sheet->right, $given->sheet->bottom)));
            }
        }

        return $pulls;
    }

    public function evaluate(Arguments $given): Look
    {
        $model = $given->has('like') ? $given->step('like')->result : null;
        $like = $model instanceof Part ? $model->last()->steps ?? [] : [];

        $whole = $figures = [];
        foreach ($given->steps('of') as $step) {
            if ($step->step === null) {
                $whole[] = $step->id;
            } else {
                $figures[$step->step] = [...$figures[$step->step] ?? [], ...self::figures($step)];
            }
        }

        $fill = $given->has('fill') ? $given->paint('fill') : null;
        if ($fill instanceof Gradient && $fill->sort === 'along' && ! self::hasWay($given->parts('of'))) {
            throw new FieldFault(
                'fill',
                'choice',
                'a gradient along a way needs a band, or a ring between two circles around one centre; these parts follow no way',
            );
        }

        return new Look($whole, $given->only(self::LOOKS), $like, $figures);
    }

    /** @param  list<Part>  $parts */
    private static function hasWay(array $parts): bool
    {
        foreach ($parts as $part) {
            if ($part->first()?->strandOfShape() !== null) {
                return true;
            }
        }

        return false;
    }

    /**
     * The figures that a copy or a piece is drawn as.
     *
     * @return list<int>
     *
     * @throws FieldFault
     */
    private static function figures(Evaluated $portion): array
    {
        return $portion->drawnAs ??
            throw new FieldFault(
                'of',
                'choice',
                'one piece of a figure of several cannot look otherwise than the others; make it a part of its own first',
            );
    }
}
