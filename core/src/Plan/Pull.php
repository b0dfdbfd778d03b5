<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

use Sternbild\Core\Geometry\Vec;

/**
 * Something on the sheet that can be taken hold of to change a number of a step, and how the number follows from where it is dragged to.
 *
 * | sort | the number for a place p |
 * |---|---|
 * | `distance` | how far p is from `from` |
 * | `along` | how far p is from `from` in the direction of `to`, in units of the way there |
 * | `angle` | the angle from `from` to p in degrees, clockwise on the screen, counted from `zero` |
 * | `vector` | two numbers, the way from `from` to p, turned back by `zero` degrees |
 * | `bulge` | the height of p over the chord from `from` to `to`, in half chords, positive to the left of the way as seen on the screen |
 * | `side` | four numbers: `frame` with its `side` (0 left, 1 upper, 2 right, 3 lower) where p is, in shares of the way from `from` to `to`
 * |
 * | `place` | p itself |
 */
final readonly class Pull
{
    /**
     * @param  string  $field  of the step
     * @param  list<int|string>  $path  inside the field, where only some of it is meant
     * @param  'distance'|'along'|'angle'|'vector'|'bulge'|'side'|'place'  $sort
     * @param  Vec  $at  where it is
     * @param  string|null  $called  what it is, where the label of the field does not say it
     * @param  string|null  $colour  that it is shown in, #rrggbb
     * @param  float|null  $step  of which the number stays a multiple, and by which an arrow key changes it
     * @param  list<float>|null  $frame  of which it is a side: left, top, width and height, in shares of what is framed
     * @param  string|null  $between  the field whose places number `path[0]` and the next are joined by the way that it bends
     */
    private function __construct(
        public string $field,
        public array $path,
        public string $sort,
        public Vec $at,
        public Vec $from,
        public Vec $to,
        public float $zero = 0.0,
        public ?string $between = null,
        public ?string $called = null,
        public ?string $colour = null,
        public ?float $step = null,
        public ?array $frame = null,
        public ?int $side = null,
    ) {
    }

    /**
     * @param  Vec  $towards  a direction of any length
     * @param  list<int|string>  $path
     */
    public static function distance(string $field, Vec $from, float $value, Vec $towards, array $path = []): self
    {
        $at = $from->plus($towards->unit()->times($value));

        return new self($field, $path, 'distance', $at, $from, $at);
    }

    /** The same with a name and a colour of its own. */
    public function shownAs(string $called, ?string $colour = null): self
    {
        return new self(
            $this->field,
            $this->path,
            $this->sort,
            $this->at,
            $this->from,
            $this->to,
            $this->zero,
            $this->between,
            $called,
            $colour,
            $this->step,
            $this->frame,
            $this->side,
        );
    }

    /** The same in steps, as of what is counted in cells. */
    public function stepped(float $step): self
    {
        return new self(
            $this->field,
            $this->path,
            $this->sort,
            $this->at,
            $this->from,
            $this->to,
            $this->zero,
            $this->between,
            $this->called,
            $this->colour,
            $step,
            $this->frame,
        );
    }

    /**
     * @param  Vec  $unit  the way for 1
     * @param  list<int|string>  $path
     */
    public static function along(string $field, Vec $from, float $value, Vec $unit, array $path = []): self
    {
        return new self($field, $path, 'along', $from->plus($unit->times($value)), $from, $from->plus($unit));
    }

    /**
     * @param  float  $value  degrees
     * @param  float  $zero  where the angle is counted from, degrees clockwise from the right
     * @param  float  $arm  how far from `from` it is
     * @param  list<int|string>  $path
     */
    public static function angle(string $field, Vec $from, float $value, float $zero, float $arm, array $path = []): self
    {
        $at = $from->plus(Vec::heading($value + $zero + 90)->times($arm));

        return new self($field, $path, 'angle', $at, $from, $at, $zero);
    }

    /** @param  float  $turned  by how many degrees the two numbers are turned on the sheet */
    public static function vector(string $field, Vec $from, Vec $value, float $turned = 0.0): self
    {
        $at = $from->plus(Vec::heading($turned + 90)->times($value->x))->plus(Vec::heading($turned + 180)->times($value->y));

        return new self($field, [], 'vector', $at, $from, $at, $turned);
    }

    public static function bulge(string $field, int $way, Vec $at, Vec $from, Vec $to, string $between): self
    {
        return new self($field, [$way, 'bulge'], 'bulge', $at, $from, $to, 0.0, $between);
    }

    /**
     * The four sides of a frame.
     *
     * @param  array{float, float, float, float}  $frame  left, top, width and height, in shares of what is framed
     * @param  Vec  $corner  the upper left one of what is framed
     * @return list<self>
     */
    public static function sides(string $field, array $frame, Vec $corner, Vec $across, Vec $down): array
    {
        [$left, $top, $width, $height] = $frame;
        [$beside, $above] = [$corner->plus($down->times($top + $height / 2)), $corner->plus($across->times($left + $width / 2))];
        $side = static fn (int $side, Vec $from, Vec $way, float $share, string $called): self => new self(
            $field, [], 'side', $from->plus($way->times($share)), $from, $from->plus($way), called: $called, frame: $frame, side: $side,
        );

        return [
            $side(0, $beside, $across, $left, 'left side'), $side(1, $above, $down, $top, 'upper side'),
            $side(2, $beside, $across, $left + $width, 'right side'), $side(3, $above, $down, $top + $height, 'lower side'),
        ];
    }

    /** @param  list<int|string>  $path */
    public static function place(string $field, array $path, Vec $at): self
    {
        return new self($field, $path, 'place', $at, $at, $at);
    }
}
