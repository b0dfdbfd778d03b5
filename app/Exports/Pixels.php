<?php

namespace App\Exports;

use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\MovingPicture;
use Sternbild\Core\Format\PixelPicture;
use Sternbild\Core\Pixel\Frames;
use Sternbild\Core\Plan\Unusable;

/** The painted cells of a grid, or of the frames on it, a pixel or a square of them for each. */
final readonly class Pixels
{
    /** Forms of the file, and how each one's name ends. */
    public const FORMS = ['png' => 'png', 'svg' => 'svg', 'apng' => 'png', 'sheet' => 'zip'];

    /** @param  non-empty-list<PixelPicture>  $pictures  frame by frame */
    private function __construct(private PixelPicture $picture, private ?Frames $frames, private array $pictures, private int $scale, private string $form)
    {
    }

    /**
     * @param  array<array-key, mixed>  $asked  `of`: a grid, or frames on one; `as`: png or svg, of frames apng or sheet, which is a PNG and JSON in an archive;
     *                                          `scale`, pixels to a cell
     *
     * @throws Unusable
     */
    public static function asked(Scene $scene, array $asked): self
    {
        $of = is_string($asked['of'] ?? null) ? $asked['of'] : '';
        $form = is_string($asked['as'] ?? null) ? $asked['as'] : 'png';
        $scale = is_numeric($asked['scale'] ?? null) && (float) $asked['scale'] === round((float) $asked['scale']) ? (int) $asked['scale'] : 0;
        $whole = $form === 'apng' || $form === 'sheet' ? null : PixelPicture::of($scene, $of);
        [$picture, $frames, $pictures] = $whole === null ? PixelPicture::frames($scene, $of) : [$whole, null, [$whole]];
        $picture->hold($scale);

        return new self($picture, $frames, $pictures, $scale, $form);
    }

    /**
     * @param  string  $name  of the pictures in an archive
     *
     * @throws Unusable
     */
    public function write(string $path, string $name): void
    {
        if ($this->frames === null || $this->form === 'apng') {
            file_put_contents($path, match ($this->form) {
                'apng' => MovingPicture::apng($this->pictures, $this->scale, $this->frames->ms ?? 0),
                'svg' => $this->picture->svg($this->scale),
                default => $this->picture->png($this->scale),
            });

            return;
        }
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException('The archive cannot be written.');
        }
        $zip->addFromString("$name.png", $this->picture->png($this->scale));
        $zip->addFromString("$name.json", MovingPicture::json($this->frames, $this->picture, "$name.png", $this->scale));
        $zip->close();
    }
}
