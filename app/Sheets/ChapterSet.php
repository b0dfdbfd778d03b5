<?php

namespace App\Sheets;

use App\Work\Cancelled;
use App\Work\Progress;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\Square;
use Sternbild\Core\Format\SvgDrawing;

/** Each chapter of a plan, or all of it, as files of its own at several sizes, in one archive: an icon set. */
final readonly class ChapterSet
{
    /** Pictures of one set. */
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
     * The set that was asked for, in the words of the API.
     *
     * @param  array<array-key, mixed>  $asked
     * @param  string  $whole  what a set of the whole is named by
     */
    public static function asked(Scene $scene, array $asked, string $whole): self
    {
        $list = static fn (string $name): array => array_values(is_array($asked[$name] ?? null) ? $asked[$name] : []);

        return new self(
            self::chapters($scene, array_values(array_filter($list('chapters'), is_string(...))), $whole),
            array_map(static fn (mixed $size): int => is_numeric($size) ? (int) $size : 0, $list('sizes')),
            array_values(array_filter($list('formats'), is_string(...))),
            is_numeric($asked['clear'] ?? null) ? $asked['clear'] / 100 : 0.0,
            filter_var($asked['ground'] ?? false, FILTER_VALIDATE_BOOLEAN),
        );
    }

    /** Whether any of it is drawn. */
    public function isDrawn(Scene $scene): bool
    {
        foreach ($this->chapters as $ids) {
            if (Square::around($scene, $ids, $this->clear, $this->sizes[0], $this->withGround) !== null) {
                return true;
            }
        }

        return false;
    }

    /**
     * Writes it as a zip archive.
     *
     * @throws RenderFailed
     * @throws Cancelled
     */
    public function write(Scene $scene, string $path, Progress $progress): void
    {
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        $progress->pieces(count($this->chapters) * count($this->sizes));
        $made = 0;
        foreach ($this->chapters as $name => $ids) {
            foreach ($this->sizes as $size) {
                $square = Square::around($scene, $ids, $this->clear, $size, $this->withGround);
                $svg = $square === null ? null : SvgDrawing::writeSquare($scene, $square);
                if ($svg !== null && in_array('svg', $this->formats, true)) {
                    $zip->addFromString("$name-$size.svg", $svg);
                }
                if ($svg !== null && in_array('png', $this->formats, true)) {
                    $zip->addFromString("$name-$size.png", Raster::png($svg, 1.0, meanwhile: $progress->goesOn(...)));
                }
                $progress->made(++$made);
            }
        }
        $zip->close() ?: throw new \RuntimeException('The archive could not be written.');
    }
}
