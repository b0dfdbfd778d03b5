<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Kind\Copy;

use Sternbild\Core\Geometry\Affine;
use Sternbild\Core\Geometry\Bounds;
use Sternbild\Core\Guide\Guide;
use Sternbild\Core\Plan\Arguments;
use Sternbild\Core\Plan\Evaluated;
use Sternbild\Core\Plan\Field\StepsField;
use Sternbild\Core\Plan\Field\SwitchField;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Result\Role;
use Sternbild\Core\Shape\Part;

/** What brings parts or guides elsewhere: one of them, or many. */
abstract class CopyKind extends Kind
{
    protected const MOST_COPIES = 10_000;

    /** Curves of all copies together; what is beyond cannot be drawn in reasonable time. */
    private const MOST_CURVES = 200_000;

    /** Times as large as the first, or as small, that a copy may be. */
    private const LARGEST = 1_000_000;

    public function offersPlaces(): bool
    {
        return true;
    }

    public function sources(Arguments $given): array
    {
        return $given->steps('of');
    }

    public function keepsSources(Arguments $given): bool
    {
        return $given->isOn('keep') || $given->isOn('copy');
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @return array<string, mixed>|null null where the count is arithmetic
     */
    final protected static function oneMore(array $said): ?array
    {
        return is_int($said['count'] ?? null) ? ['count' => $said['count'] + 1] : null;
    }

    final protected static function things(): StepsField
    {
        return StepsField::partsOrGuides('of', 'parts');
    }

    final protected static function keep(): SwitchField
    {
        return new SwitchField('keep', 'keep', 'keeping what it is made of', 'using it up');
    }

    /** @throws FieldFault where parts and guides are mixed */
    final protected static function areParts(Arguments $given): bool
    {
        $roles = array_unique(array_map(static fn (Evaluated $step): string => $step->result->role()->value, $given->steps('of')));

        return count($roles) === 1
            ? $roles[0] === Role::Part->value
            : throw new FieldFault('of', 'choice', 'parts and guides cannot be brought elsewhere together; take either');
    }

    /** The box of all that is brought elsewhere. */
    final protected static function bounds(Arguments $given): Bounds
    {
        $things = self::areParts($given) ? $given->parts('of') : $given->guides('of');
        $bounds = array_map(static fn (Part|Guide $thing): Bounds => $thing->bounds(), $things);

        return Bounds::of(...$bounds);
    }

    /**
     * @param  non-empty-list<Affine>  $maps  one for each copy
     * @param  int  $together  so many copies lie over one another part by part
     * @param  string  $field  that says how many there are
     *
     * @throws FieldFault
     */
    final protected static function repeated(Arguments $given, array $maps, int $together, string $field): Part|Guide
    {
        if (self::areParts($given)) {
            $parts = $given->parts('of');
            self::withinLimit(array_sum(array_map(static fn (Part $part): int => $part->curves(), $parts)) * count($maps), $field);

            return $parts === []
                ? throw new \LogicException('A repeat has something to repeat.')
                : Part::repeated($parts, $maps, $together, $given->step);
        }
        $guides = $given->guides('of');
        self::withinLimit(array_sum(array_map(static fn (Guide $guide): int => count($guide->curves()), $guides)) * count($maps), $field);

        return $guides === [] ? throw new \LogicException('A repeat has something to repeat.') : Guide::repeated($guides, $maps);
    }

    /**
     * How many times as large as the first the last copy is.
     *
     * @throws FieldFault where that is beyond all measure
     */
    final protected static function withinSize(float $factor, int $copies): void
    {
        $last = $factor ** ($copies - 1);
        if ($last > self::LARGEST || $last < 1.0 / self::LARGEST) {
            throw new FieldFault(
                'factor',
                'limit',
                'the last of '.
                    number_format($copies).
                    ' copies would be more than '.
                    number_format(self::LARGEST).
                    ' times as '.
                    ($last > 1.0 ? 'large' : 'small').
                    ' as the first',
            );
        }
    }

    /** @throws FieldFault */
    final protected static function withinLimit(int $curves, string $field): void
    {
        if ($curves > self::MOST_CURVES) {
            throw new FieldFault(
                $field,
                'limit',
                'the copies would have '.
                    number_format($curves).
                    ' curves together; at most '.
                    number_format(self::MOST_CURVES).
                    ' can be drawn',
            );
        }
    }
}
