<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

use Symfony\Component\Process\Process;

/**
 * Reads a sheet line by line, as a cheap flatbed does: the sheet lies askew on a dark bed, the light falls off to a side and to the end,
 * the pencil catches on the paper's tooth, and there is grain. How all that is hangs on the seed alone.
 */
final class Lamp
{
    /** Millimetres around the sheet. */
    private const MARGIN = 10.0;

    /** Degrees. */
    private const MOST_SKEW = 2.4;

    private const LEAST_SKEW = 0.5;

    /** How bright the bed is, and the paper where the light is best; of 255. */
    private const BED = 52;

    private const PAPER = 244;

    /** Levels, a standard deviation. */
    private const GRAIN = 4.0;

    /** Lines between two looks at the cover, the feed, and whether anybody still waits. */
    private const STRIP = 24;

    private const QUALITY = 90;

    /** What stands in the sheet's place: a longer run of grain than any line. */
    private const LOTS = 1 << 15;

    public readonly int $wide;

    public readonly int $high;

    /** Degrees, clockwise on the screen. */
    public readonly float $skew;

    private readonly int $pageWide;

    private readonly int $pageHigh;

    /** Grey, a byte a pixel. */
    private readonly string $page;

    public function __construct(Page $page, private readonly int $resolution, int $seed)
    {
        mt_srand($seed);
        $dots = $resolution / 25.4;
        $this->skew = (mt_rand(0, 1) * 2 - 1) * (self::LEAST_SKEW + ((self::MOST_SKEW - self::LEAST_SKEW) * mt_rand()) / mt_getrandmax());
        [$this->wide, $this->high] = [
            (int) round(($page->width + 2 * self::MARGIN) * $dots),
            (int) round(($page->height + 2 * self::MARGIN) * $dots),
        ];
        [$this->page, $this->pageWide, $this->pageHigh] = self::drawn($page, $resolution);
    }

    /**
     * @return \Generator<int, string> lines of grey, a byte a pixel, from the top
     */
    public function lines(): \Generator
    {
        [$grain, $tooth, $across] = [self::grain(), self::tooth(), $this->across()];
        $fall = 0.05 + 0.12 * mt_rand() / mt_getrandmax();
        [$cos, $sin] = [cos(deg2rad($this->skew)), sin(deg2rad($this->skew))];
        $bytes = array_map(chr(...), range(0, 255));
        [$page, $right, $bottom, $stride] = [$this->page, $this->pageWide - 1, $this->pageHigh - 1, $this->pageWide];
        for ($y = 0; $y < $this->high; $y++) {
            $light = 1.0 - $fall * ($y / $this->high) ** 2;
            [$lot, $bite] = [mt_rand(0, self::LOTS - 1), mt_rand(0, self::LOTS - 1)];
            // The place in the sheet's own picture under the line's first pixel.
            $down = $y + 0.5 - $this->high / 2;
            $u = -$this->wide / 2 * $cos + $down * $sin + $stride / 2 - 0.5;
            $v = $this->wide / 2 * $sin + $down * $cos + $this->pageHigh / 2 - 0.5;
            $line = '';
            for ($x = 0; $x < $this->wide; $x++) {
                [$i, $j] = [(int) $u, (int) $v];
                $level = self::BED;
                if ($u >= 0 && $v >= 0 && $i < $right && $j < $bottom) {
                    $k = $j * $stride + $i;
                    [$s, $t] = [$u - $i, $v - $j];
                    $level =
                        (ord($page[$k]) * (1 - $s) + ord($page[$k + 1]) * $s) * (1 - $t) +
                        (ord($page[$k + $stride]) * (1 - $s) + ord($page[$k + $stride + 1]) * $s) * $t;
                    $level = self::PAPER - (self::PAPER - $level) * $tooth[($bite + $x) & (self::LOTS - 1)];
                }
                $level = (int) ($level * $light * $across[$x] + $grain[($lot + $x) & (self::LOTS - 1)]);
                $line .= $bytes[max(0, min(255, $level))];
                $u += $cos;
                $v -= $sin;
            }
            yield $y => $line;
        }
    }

    /**
     * Reads a desk's sheet to its end, or to where it stops: a jam, an open cover, or nobody who waits for it.
     */
    public static function read(string $folder, string $id, Tray $tray): void
    {
        $scan = State::read($folder)->scan;
        if ($scan?->id !== $id) {
            return;
        }
        $lamp = new self($tray->page($scan->page), $scan->resolution, $scan->seed);
        $grey = '';
        foreach ($lamp->lines() as $y => $line) {
            $grey .= $line;
            if ($y % self::STRIP === 0 && ! self::goesOn($folder, $scan->at($y, $lamp->high))) {
                return;
            }
        }
        $lamp->write($grey, "$folder/image.$id");
        State::reach($folder, $scan->at($lamp->high, $lamp->high));
        State::change($folder, static function (State $state) use ($folder, $id): void {
            if ($state->scan?->id !== $id || $state->scan->state !== Scan::SCANNING) {
                unlink("$folder/image.$id");

                return;
            }
            rename("$folder/image.$id", "$folder/image.jpg");
            $state->scan = $state->scan->as(Scan::DONE);
        });
    }

    /** Says how far it is; whether it goes on from here. */
    private static function goesOn(string $folder, Scan $scan): bool
    {
        return State::change($folder, static function (State $state) use ($folder, $scan): bool {
            if ($state->scan?->id !== $scan->id || $state->scan->state !== Scan::SCANNING) {
                return false;
            }
            State::reach($folder, $scan);
            if ($state->isOpen) {
                $state->scan = $state->scan->as(Scan::COVER_OPEN);
            } elseif ($state->jamsAt !== null && $scan->lines >= $state->jamsAt * $scan->of) {
                $state->scan = $state->scan->as(Scan::JAMMED);
                [$state->isJammed, $state->jamsAt] = [true, null];
            }

            return $state->scan->state === Scan::SCANNING;
        });
    }

    private function write(string $grey, string $file): void
    {
        $image = new \Imagick;
        $image->readImageBlob("P5 $this->wide $this->high 255\n$grey");
        $image->setImageUnits(\Imagick::RESOLUTION_PIXELSPERINCH);
        $image->setImageResolution($this->resolution, $this->resolution);
        $image->setImageCompressionQuality(self::QUALITY);
        $image->writeImage("jpeg:$file");
        $image->clear();
    }

    /** @return array{string, int, int} grey, width, height */
    private static function drawn(Page $page, int $resolution): array
    {
        $png = (new Process(['rsvg-convert', '--dpi-x', (string) $resolution, '--dpi-y', (string) $resolution, $page->file]))
            ->mustRun()
            ->getOutput();
        $image = new \Imagick();
        $image->readImageBlob($png);
        $image->setImageDepth(8);
        $image->setImageFormat('gray');
        [$grey, $wide, $high] = [$image->getImageBlob(), $image->getImageWidth(), $image->getImageHeight()];
        $image->clear();

        return [$grey, $wide, $high];
    }

    /** @return list<float> how much of the light reaches each column */
    private function across(): array
    {
        $best = 0.25 + 0.5 * mt_rand() / mt_getrandmax();
        $fall = 0.15 + 0.2 * mt_rand() / mt_getrandmax();

        return array_map(fn (int $x): float => 1.0 - $fall * ($x / $this->wide - $best) ** 2 / 0.5, range(0, $this->wide - 1));
    }

    /**
     * @return list<float> by the polar method: G. Marsaglia and T. A. Bray, "A convenient method for generating normal variables", SIAM
     *   Review 6 (1964)
     */
    private static function grain(): array
    {
        $grain = [];
        while (count($grain) < self::LOTS) {
            [$u, $v] = [2 * mt_rand() / mt_getrandmax() - 1, 2 * mt_rand() / mt_getrandmax() - 1];
            $s = $u * $u + $v * $v;
            if ($s > 0.0 && $s < 1.0) {
                $grain[] = self::GRAIN * $u * sqrt(-2 * log($s) / $s);
            }
        }

        return $grain;
    }

    /** @return list<float> how much of the pencil the paper takes */
    private static function tooth(): array
    {
        return array_map(static fn (): float => 0.65 + 0.5 * mt_rand() / mt_getrandmax(), range(1, self::LOTS));
    }
}
