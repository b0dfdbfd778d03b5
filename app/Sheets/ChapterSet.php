<?php

namespace App\Sheets;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\Square;
use Sternbild\Core\Format\SvgDrawing;

/** Each chapter of a plan, or all of it, as files of its own at several sizes, in one archive: an icon set. */
final readonly class ChapterSet
{
    /** Pictures that are rendered within a request. */
    public const MOST_PICTURES = 60;

    /**
     * @param  array<string, list<string>|null>  $chapters  ids of their steps by the name of the files; null for the whole drawing
     * @param  list<int>  $sizes  pixels
     * @param  list<string>  $formats  of svg and png
     * @param  float  $clear  clear space on every side, as a share of the square's
     */
    public function __construct(private array $chapters, private array $sizes, private array $formats, private float $clear, private bool $withGround)
    {
    }

    /**
     * The chapters that are asked for by their first steps, or the whole under a name.
     *
     * @param  list<string>  $from
     * @return array<string, list<string>|null>
     */
    public static function chapters(Scene $scene, array $from, string $whole): array
    {
        if ($from === []) {
            return [$whole => null];
        }
        $ids = array_keys($scene->plan->steps);
        $begin = 0;
        $chapters = [];
        $names = new FileNames;
        foreach ($scene->plan->sections() as $section) {
            if (in_array($section->from, $from, true)) {
                $name = $names->of($section->name, $section->from);
                $chapters[$name] = array_slice($ids, $begin, $section->steps);
            }
            $begin += $section->steps;
        }

        return $chapters;
    }

    public function pictures(): int
    {
        return in_array('png', $this->formats, true) ? count($this->chapters) * count($this->sizes) : 0;
    }

    /**
     * A zip archive.
     *
     * @return string|null null where nothing of it is drawn
     *
     * @throws RenderFailed
     */
    public function archive(Scene $scene): ?string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'set');
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::OVERWRITE);
        foreach ($this->files($scene) as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $count = $zip->numFiles;
        $zip->close();
        $archive = $count === 0 ? null : (string) file_get_contents($file);
        @unlink($file);

        return $archive;
    }

    /**
     * @return iterable<string, string>
     *
     * @throws RenderFailed
     */
    private function files(Scene $scene): iterable
    {
        foreach ($this->chapters as $name => $ids) {
            foreach ($this->sizes as $size) {
                $square = Square::around($scene, $ids, $this->clear, $size, $this->withGround);
                $svg = $square === null ? null : SvgDrawing::writeSquare($scene, $square);
                if ($svg === null) {
                    continue;
                }
                if (in_array('svg', $this->formats, true)) {
                    yield "$name-$size.svg" => $svg;
                }
                if (in_array('png', $this->formats, true)) {
                    yield "$name-$size.png" => Raster::png($svg, 1.0);
                }
            }
        }
    }
}
