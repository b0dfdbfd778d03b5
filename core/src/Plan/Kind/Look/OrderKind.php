<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Look;

use Sternbild\Core\Paint\Reorder;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Called;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\ChoiceField;
use Sternbild\Core\Plan\Field\StepField;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Purpose;
use Sternbild\Core\Plan\Step;
use Sternbild\Core\Result\Role;

/** What lies over what. */
#[Called('order', label: 'Order', word: 'order', prefix: 'd', purpose: Purpose::Look)]
final class OrderKind extends Kind
{
    public function makes(): Role
    {
        return Role::Look;
    }

    protected function declared(): array
    {
        return [
            StepsField::parts('of', 'parts'),
            new ChoiceField('to', 'to the', ['front' => 'front', 'back' => 'back']),
            new StepField('above', 'above'),
            new StepField('below', 'below'),
        ];
    }

    public function sentence(Step $step): string
    {
        return match (true) {
            $step->says('above') => 'Put {of} above {above}.',
            $step->says('below') => 'Put {of} below {below}.',
            default => 'Bring {of} to the {to}.',
        };
    }

    public function evaluate(Arguments $given): Reorder
    {
        $said = array_values(array_filter(['to', 'above', 'below'], $given->has(...)));
        if (count($said) !== 1) {
            throw new FieldFault('to', 'choice', 'exactly one of "to", "above" and "below" has to be given');
        }
        $of = array_map(static fn (Evaluated $step): string => $step->id, $given->steps('of'));
        if ($said[0] === 'to') {
            return new Reorder($of, $given->text('to') === 'front' ? 'front' : 'back', null);
        }

        return new Reorder($of, $said[0] === 'above' ? 'above' : 'below', $given->step($said[0])->id);
    }
}
