<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Plan\Unit;
use Symfony\Component\Process\Exception\ExceptionInterface;
use Symfony\Component\Process\Process;

/** PNG and PDF from an SVG document, by `rsvg-convert` of the librsvg project. */
final class Raster
{
    /** Within which a picture is made, or given up, in seconds. */
    public const DEADLINE = 20;

    /** The same where somebody waits for it: such a picture does not stand back behind other work. */
    public const AT_ONCE = 2;

    /** Bytes of address space that making one may take: 10,000 × 10,000 pixels are 400 MB. */
    private const MEMORY = 900_000_000;

    /** How `timeout` ends when it had to stop what it runs, or to kill it. */
    private const OVERTIME = [124, 137];

    /** Pixels on the longer side of a PNG. */
    public const LARGEST_SIDE = 10_000;

    /** Seconds that what it runs has to end when it is told to. */
    private const TO_END = 2;

    /** Between two looks whether the picture is there, in microseconds. */
    private const PAUSE = 5_000;

    /**
     * @param  float  $scale  output pixels to a CSS pixel
     * @param  int  $deadline  seconds
     * @param  (\Closure(): void)|null  $meanwhile  called again and again; what it throws ends the picture
     *
     * @throws RenderFailed
     * @throws \RuntimeException that `meanwhile` threw
     */
    public static function png(string $svg, float $scale, int $deadline = self::DEADLINE, ?\Closure $meanwhile = null): string
    {
        return self::convert($svg, ['--format=png', ...self::size($svg, $scale)], $deadline, $meanwhile);
    }

    /**
     * As many whole pixels as come nearest to the drawing's width, and as high as that makes it: it is stretched by less than half a pixel,
     * and no pixel at its edges is drawn in part.
     *
     * @return list<string>
     */
    private static function size(string $svg, float $scale): array
    {
        $side = '(\d+(?:\.\d+)?)([a-z]*)"';
        if (preg_match("/<svg\b[^>]*? width=\"$side height=\"$side/", $svg, $found) !== 1) {
            return ['--zoom='.sprintf('%.6F', $scale)];
        }
        $pixels = static fn (string $length, string $unit): float => (float) $length * (Unit::tryFrom($unit) ?? Unit::Px)->pixels();
        [$wide, $high] = [$pixels($found[1], $found[2]), $pixels($found[3], $found[4])];
        $width = max(1, (int) round($wide * $scale));

        return ["--width=$width", '--height='.max(1, (int) round($width * $high / max($wide, 1e-9)))];
    }

    /**
     * @param  (\Closure(): void)|null  $meanwhile  as of a PNG
     *
     * @throws RenderFailed
     */
    public static function pdf(string $svg, ?\Closure $meanwhile = null): string
    {
        return self::convert($svg, ['--format=pdf'], self::DEADLINE, $meanwhile);
    }

    /**
     * @param  list<string>  $options
     * @param  (\Closure(): void)|null  $meanwhile
     *
     * @throws RenderFailed
     */
    private static function convert(string $svg, array $options, int $deadline, ?\Closure $meanwhile): string
    {
        // 96 dots to the inch, so that a millimetre is what CSS says it is.
        // Whatever the drawing asks for, it ends in time and within its memory, and takes nobody else's turn.
        $limits = [
            ...$deadline > self::AT_ONCE ? ['nice', '-n', '10'] : [],
            'prlimit',
            '--as='.self::MEMORY,
            'timeout',
            '--foreground',
            '--kill-after=1',
            (string) $deadline,
        ];
        $process = new Process([...$limits, 'rsvg-convert', '--dpi-x=96', '--dpi-y=96', ...$options], input: $svg, timeout: null);
        $status = self::run($process, $meanwhile);
        if (in_array($status, self::OVERTIME, true)) {
            throw new RenderFailed("The picture took more than $deadline seconds.", true);
        }
        $picture = $process->getOutput();
        if ($status !== 0 || $picture === '') {
            throw new RenderFailed('rsvg-convert failed: '.trim($process->getErrorOutput()));
        }

        return $picture;
    }

    /**
     * @param  (\Closure(): void)|null  $meanwhile
     * @return int how it ended
     *
     * @throws RenderFailed
     */
    private static function run(Process $process, ?\Closure $meanwhile): int
    {
        try {
            $process->start();
            while ($meanwhile !== null && $process->isRunning()) {
                $meanwhile();
                usleep(self::PAUSE);
            }

            return $process->wait();
        } catch (ExceptionInterface $fault) {
            throw new RenderFailed('rsvg-convert could not be run: '.$fault->getMessage());
        } finally {
            // What `meanwhile` threw ends it: `timeout` hands it on to what it runs, and needs a moment for that.
            $process->stop(self::TO_END);
        }
    }
}
