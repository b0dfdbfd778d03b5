<?php

namespace Tests\Outside;

use PHPUnit\Framework\TestCase;
use Sternbild\Core\Paint\Ciede2000;
use Sternbild\Core\Pixel\Clusters;
use Sternbild\Core\Pixel\Held;

/**
 * Palettes found in pictures against those that a general-purpose library finds (npm: image-q), by how far their nearest colours are off to
 * the eye.
 */
final class PaletteLibraryTest extends TestCase
{
    public function test_palettes_are_no_worse_than_by_five_in_a_hundred(): void
    {
        $view = new \Imagick(dirname(__DIR__, 2).'/resources/demo/pictures/harbour.jpg');
        $view->resizeImage(80, 48, \Imagick::FILTER_BOX, 1);
        $plasma = new \Imagick;
        $plasma->newPseudoImage(80, 48, 'gradient:#0f6e84-#f2d9a0');
        $plasma->waveImage(6, 30);
        $plasma->resizeImage(80, 48, \Imagick::FILTER_BOX, 1);
        $questions = [];
        foreach ([$view, $plasma] as $image) {
            $image->setImageAlphaChannel(\Imagick::ALPHACHANNEL_REMOVE);
            foreach ([4, 8, 16] as $count) {
                $questions[] = [$count, $image->exportImagePixels(0, 0, 80, 48, 'RGB', \Imagick::PIXEL_CHAR)];
            }
        }
        foreach ($this->node($questions) as $number => $theirs) {
            [$count, $values] = $questions[$number];
            $cells = array_map(static fn (array $rgb): string => sprintf('#%02x%02x%02x', ...$rgb), array_chunk($values, 3));
            self::assertIsArray($theirs);
            $ours = Clusters::find(array_count_values($cells) ?: ['#000000' => 1], $count);
            self::assertLessThanOrEqual($count, count($ours));
            [$off, $offTheirs] = [
                self::off($cells, $ours),
                self::off($cells, array_map(static fn (array $rgb): string => sprintf('#%02x%02x%02x', ...$rgb), array_values($theirs))),
            ];
            self::assertGreaterThan(0.0, $offTheirs);
            self::assertLessThan(1.05 * $offTheirs, $off, "picture $number, $count colours: ours $off, theirs $offTheirs");
        }
    }

    /**
     * @param  list<string>  $cells
     * @param  list<string>  $palette
     * @return float the mean of CIEDE2000
     */
    private static function off(array $cells, array $palette): float
    {
        self::assertNotSame([], $palette);
        $held = new Held($palette ?: ['#000000'], 'ciede2000');
        $sum = 0.0;
        foreach (array_count_values($cells) as $hex => $times) {
            $sum += $times * Ciede2000::between(Ciede2000::lab((string) $hex), Ciede2000::lab($palette[$held->nearest((string) $hex)]));
        }

        return $sum / count($cells);
    }

    /**
     * @param  list<mixed>  $question
     * @return array<array-key, mixed>
     */
    private function node(array $question): array
    {
        $process = proc_open(['node', __DIR__.'/palettes.mjs'], [['pipe', 'r'], ['pipe', 'w'], STDERR], $pipes, dirname(__DIR__, 2));
        self::assertNotFalse($process);
        fwrite($pipes[0], json_encode($question, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        $answer = json_decode((string) stream_get_contents($pipes[1]), true, 32, JSON_THROW_ON_ERROR);
        self::assertSame(0, proc_close($process));
        self::assertIsArray($answer);

        return $answer;
    }
}
