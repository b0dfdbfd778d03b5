<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Geometry\Outline;
use Sternbild\Core\Geometry\Vec;

/** Path data of outlines that are drawn in many places: behind its first place all of it is relative, so that it is worked out once. */
final readonly class MovedPath
{
    private const DECIMALS = 8;

    private Vec $start;

    private string $rest;

    /** @param  non-empty-list<Outline>  $outlines */
    public function __construct(array $outlines)
    {
        $this->start = $outlines[0]->curves[0]->start();
        [$x, $y] = [$this->start->x, $this->start->y];
        $rest = '';
        foreach ($outlines as $number => $outline) {
            $start = $outline->curves[0]->start();
            $rest .= $number === 0 ? '' : 'm'.self::way($start->x - $x, $start->y - $y);
            [$fromX, $fromY] = [$x, $y] = $number === 0 ? [$x, $y] : self::reached($x, $y, $start->x, $start->y);
            foreach (PathData::commands($outline->curves) as $command) {
                $to = self::way($command[0] - $x, $command[1] - $y);
                $rest .= match (count($command)) {
                    4 => 'a'.self::number($command[2]).' '.self::number($command[2]).' 0 0 '.($command[3] > 0.0 ? 1 : 0)." $to",
                    6 => 'c'.self::way($command[2] - $x, $command[3] - $y).' '.self::way($command[4] - $x, $command[5] - $y)." $to",
                    default => "l$to",
                };
                [$x, $y] = self::reached($x, $y, $command[0], $command[1]);
            }
            $rest .= 'z';
            [$x, $y] = [$fromX, $fromY];
        }
        $this->rest = $rest;
    }

    public function at(Vec $way): string
    {
        return 'M'.self::way($this->start->x + $way->x, $this->start->y + $way->y).$this->rest;
    }

    /** @return array{float, float} where a reader is after the way to a place, as it is written */
    private static function reached(float $x, float $y, float $toX, float $toY): array
    {
        return [$x + round($toX - $x, self::DECIMALS), $y + round($toY - $y, self::DECIMALS)];
    }

    private static function way(float $x, float $y): string
    {
        return self::number($x).' '.self::number($y);
    }

    private static function number(float $number): string
    {
        return PathData::written($number, self::DECIMALS);
    }
}
