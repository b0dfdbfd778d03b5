<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

/** PNG and PDF from an SVG document, by `rsvg-convert` of the librsvg project. */
final class Raster
{
    /** Pixels on the longer side of a PNG. */
    public const LARGEST_SIDE = 10_000;

    /**
     * @param  float  $scale  output pixels to a CSS pixel
     *
     * @throws RenderFailed
     */
    public static function png(string $svg, float $scale): string
    {
        return self::convert($svg, ['--format=png', '--zoom='.sprintf('%.6F', $scale)]);
    }

    /** @throws RenderFailed */
    public static function pdf(string $svg): string
    {
        return self::convert($svg, ['--format=pdf']);
    }

    /**
     * @param  list<string>  $options
     *
     * @throws RenderFailed
     */
    private static function convert(string $svg, array $options): string
    {
        $input = tmpfile();
        $output = tmpfile();
        $errors = tmpfile();
        if ($input === false || $output === false || $errors === false) {
            throw new RenderFailed('No temporary file could be made.');
        }
        fwrite($input, $svg);
        rewind($input);
        // Files, not pipes: neither side can block on the other. 96 dots to the inch, so that a millimetre is what CSS says it is.
        $process = proc_open(['rsvg-convert', '--dpi-x=96', '--dpi-y=96', ...$options], [$input, $output, $errors], $pipes);
        if ($process === false) {
            throw new RenderFailed('rsvg-convert could not be started.');
        }
        $status = proc_close($process);
        rewind($output);
        rewind($errors);
        $picture = (string) stream_get_contents($output);
        if ($status !== 0 || $picture === '') {
            throw new RenderFailed('rsvg-convert failed: '.trim((string) stream_get_contents($errors)));
        }

        return $picture;
    }
}
