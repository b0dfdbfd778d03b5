<?php

declare(strict_types=1);

namespace Sternbild\Core\Command;

use Sternbild\Core\Edit\Variations;
use Sternbild\Core\Evaluation\ArrayCache;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\ConstructionDrawing;
use Sternbild\Core\Format\MovingPicture;
use Sternbild\Core\Format\PixelPicture;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Format\PlanSchema;
use Sternbild\Core\Format\Raster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Format\Tile;
use Sternbild\Core\Format\TilePicture;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Svg\DrawingPlan;
use Sternbild\Core\Svg\DrawnFile;
use Sternbild\Core\Svg\NoDrawing;
use Sternbild\Core\View\SceneNumbers;

/** The commands of `sternbild`: scene, render, check, tile, pixels, vary, read, schema. */
final readonly class CommandLine
{
    private const USAGE = <<<'TEXT'
        sternbild scene PLAN [--pretty]
        sternbild render PLAN OUT.svg|OUT.png|OUT.pdf [--scale N] [--with-grid] [--with-uses] [--construction]
        sternbild check PLAN
        sternbild tile PLAN PATTERN OUT.svg|OUT.png|OUT.pdf [--width N] [--with PATTERN,PATTERN]
        sternbild pixels PLAN GRID OUT.png|OUT.svg [--scale N] [--frames STEP]
        sternbild vary PLAN FOLDER [--seed N] [--count N] [--what NAME,NAME]
        sternbild read DRAWING.svg
        sternbild schema
        PLAN is a file, or - for standard input.

        TEXT;

    private const WITH_VALUES = ['scale', 'seed', 'count', 'what', 'width', 'with', 'frames'];

    private const GOOD = 0;

    private const FINDINGS = 1;

    private const UNUSABLE = 2;

    /**
     * @param  resource  $out
     * @param  resource  $errors
     */
    public function __construct(private mixed $out, private mixed $errors)
    {
    }

    /**
     * @param  list<string>  $words  what stands behind the command's name
     * @return int exit status: 0, 1 for findings of level error, 2 for an unusable plan or call
     */
    public function run(array $words): int
    {
        try {
            [$places, $options] = self::parsed($words);
            $command = array_shift($places);
            if ($command === 'schema' && $places === []) {
                fwrite($this->out, json_encode(PlanSchema::document(Kinds::all()), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n");

                return self::GOOD;
            }
            $wanted = ['scene' => 1, 'check' => 1, 'render' => 2, 'vary' => 2, 'tile' => 3, 'pixels' => 3, 'read' => 1][$command ?? ''] ?? null;
            if ($wanted !== count($places)) {
                fwrite($this->errors, self::USAGE);

                return self::UNUSABLE;
            }
            if ($command === 'read') {
                return $this->drawing($places[0]);
            }
            if ($command === 'vary') {
                return $this->vary(self::read($places[0]), $places[1], $options);
            }
            $scene = self::evaluated($places[0]);
            match ($command) {
                'scene' => $this->printScene($scene, isset($options['pretty'])),
                'check' => $this->printFindings($scene),
                'pixels' => self::pixels($scene, $places[1], $places[2], $options, $places[0]),
                'tile' => $this->tile($scene, $places[1], $places[2], $options),
                default => $this->render($scene, $places[1], $options),
            };

            return $scene->hasErrors() ? self::FINDINGS : self::GOOD;
        } catch (NoDrawing|Unusable|RenderFailed|\UnexpectedValueException $fault) {
            fwrite($this->errors, "sternbild: {$fault->getMessage()}\n");

            return self::UNUSABLE;
        }
    }

    /**
     * Prints a plan made of a drawing, and on the error stream what was left out, one a line.
     *
     * @throws NoDrawing
     */
    private function drawing(string $path): int
    {
        $text = @file_get_contents($path === '-' ? 'php://stdin' : $path);
        $drawing = DrawnFile::read($text === false ? throw new \UnexpectedValueException("$path cannot be read") : $text);
        $plan = DrawingPlan::written($drawing);
        // What it comes to is a plan like any other, or it is said why not.
        (new PlanReader(Kinds::all()))->fromArray($plan);
        fwrite($this->out, PlanJson::pretty($plan));
        foreach ($drawing->left as $left) {
            fwrite($this->errors, "$left\n");
        }

        return self::GOOD;
    }

    /**
     * @param  list<string>  $words
     * @return array{list<string>, array<string, string>}
     */
    private static function parsed(array $words): array
    {
        $places = [];
        $options = [];
        while ($words !== []) {
            $word = array_shift($words);
            [$name, $value] = [...explode('=', substr($word, 2), 2), null];
            if (str_starts_with($word, '--') && in_array($name, self::WITH_VALUES, true)) {
                $options[$name] = $value ?? array_shift($words) ?? throw new \UnexpectedValueException("--$name needs a value behind it");
            } elseif (in_array($word, ['--pretty', '--with-grid', '--with-uses', '--construction'], true)) {
                $options[substr($word, 2)] = '';
            } elseif (str_starts_with($word, '--')) {
                throw new \UnexpectedValueException("$word is not an option; there are --pretty, --scale, --with-grid, --with-uses, --construction, --seed, --count, --what, --width and --with");
            } else {
                $places[] = $word;
            }
        }

        return [$places, $options];
    }

    private static function read(string $file): string
    {
        // A byte more than the most tells a file that is too large without reading all of it.
        $json = @file_get_contents($file === '-' ? 'php://stdin' : $file, false, null, 0, PlanReader::LARGEST_FILE + 1);
        if ($json === false) {
            throw new \UnexpectedValueException("$file cannot be read");
        }

        return $json;
    }

    /** @throws Unusable */
    private static function evaluated(string $file): Scene
    {
        return (new Evaluator(new ArrayCache))->evaluate((new PlanReader(Kinds::all()->withPictures(new FolderPictures(dirname($file)))))->fromJson(self::read($file)));
    }

    /**
     * Variations of a plan, each as a plan in a folder: 01.json, 02.json and so on.
     *
     * @param  array<string, string>  $options
     *
     * @throws Unusable
     */
    private function vary(string $json, string $folder, array $options): int
    {
        $number = static function (string $name, int $default, int $least, int $most) use ($options): int {
            $text = $options[$name] ?? (string) $default;
            if (preg_match('/^-?\d{1,9}$/D', $text) !== 1 || (int) $text < $least || (int) $text > $most) {
                throw new \UnexpectedValueException("--$name must be a whole number from $least to $most; it is $text");
            }

            return (int) $text;
        };
        $count = $number('count', 12, 1, Variations::MOST);
        $plans = Variations::drawnFrom(PlanReader::decode($json), $number('seed', 1, 0, 999_999_999), $count, Kinds::all(), isset($options['what']) ? explode(',', $options['what']) : null);
        if (! is_dir($folder) && ! @mkdir($folder, 0777, true)) {
            throw new \UnexpectedValueException("$folder cannot be made");
        }
        foreach ($plans as $index => $plan) {
            $file = sprintf('%s/%02d.json', rtrim($folder, '/'), $index + 1);
            if (@file_put_contents($file, PlanJson::pretty($plan)) === false) {
                throw new \UnexpectedValueException("$file cannot be written");
            }
        }
        if (count($plans) < $count) {
            fwrite($this->errors, 'sternbild: '.count($plans)." of $count variations; the others came to errors, or nothing may vary\n");
        }

        return $plans === [] ? self::FINDINGS : self::GOOD;
    }

    private function printScene(Scene $scene, bool $pretty): void
    {
        fwrite($this->out, json_encode(
            SceneNumbers::list($scene),
            ($pretty ? JSON_PRETTY_PRINT : 0) | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n");
    }

    private function printFindings(Scene $scene): void
    {
        foreach ($scene->findings as $finding) {
            $field = $finding->field === null ? '' : " $finding->field";
            fwrite($this->out, "$finding->level $finding->step$field: $finding->message\n");
        }
    }

    /**
     * @param  array<string, string>  $options
     *
     * @throws RenderFailed
     */
    private function render(Scene $scene, string $file, array $options): void
    {
        $svg = match (true) {
            isset($options['construction']) => ConstructionDrawing::write($scene),
            isset($options['with-grid']) => SvgDrawing::writeWithGrids($scene),
            isset($options['with-uses']) => SvgDrawing::writeWithUses($scene),
            default => SvgDrawing::write($scene),
        };
        self::written($file, match (strtolower(pathinfo($file, PATHINFO_EXTENSION))) {
            'svg' => $svg,
            'png' => Raster::png($svg, self::scale($scene, $options['scale'] ?? '1')),
            'pdf' => Raster::pdf($svg),
            default => throw new \UnexpectedValueException("$file does not end in .svg, .png or .pdf"),
        });
    }

    private static function written(string $file, string $content): void
    {
        if (@file_put_contents($file, $content) === false) {
            throw new \UnexpectedValueException("$file cannot be written");
        }
    }

    /**
     * The painted cells of a grid, or of frames on it, these with a file beside that says where each lies.
     *
     * @param  array<string, string>  $options
     * @param  string  $plan  the file that it was read from
     *
     * @throws Unusable
     */
    private static function pixels(Scene $scene, string $grid, string $file, array $options, string $plan): void
    {
        $beside = preg_replace('/\.\w+$/D', '', $file).'.json';
        if (isset($options['frames']) && file_exists($beside) && realpath($beside) === realpath($plan)) {
            throw new \UnexpectedValueException("$beside is the plan itself, and would be written over; give the picture another name");
        }
        $scale = preg_match('/^\d{1,5}$/D', $options['scale'] ?? '1') === 1 ? (int) ($options['scale'] ?? '1') : 0;
        [$picture, $frames] = isset($options['frames']) ? PixelPicture::frames($scene, $options['frames']) : [PixelPicture::of($scene, $grid), null];
        $picture->hold($scale);
        self::written($file, match (strtolower(pathinfo($file, PATHINFO_EXTENSION))) {
            'png' => $picture->png($scale),
            'svg' => $picture->svg($scale),
            default => throw new \UnexpectedValueException("$file does not end in .png or .svg"),
        });
        if ($frames !== null) {
            self::written($beside, MovingPicture::json($frames, $picture, basename($file), $scale));
        }
    }

    /**
     * The tile of a pattern.
     *
     * @param  array<string, string>  $options
     *
     * @throws RenderFailed
     * @throws Unusable
     */
    private function tile(Scene $scene, string $id, string $file, array $options): void
    {
        $tile = Tile::of($scene, $id, isset($options['with']) ? explode(',', $options['with']) : []);
        $text = $options['width'] ?? (string) $tile->naturalWidth($scene->plan->unit);
        $width = preg_match('/^\d{1,5}$/D', $text) === 1 ? (int) $text : 0;
        if ($width < 1 || max($width, $tile->heightFor($width)) > Raster::LARGEST_SIDE) {
            throw new \UnexpectedValueException('--width must be a whole number of pixels, 1 or more, and give at most '.Raster::LARGEST_SIDE." pixels a side; it is $text");
        }
        $ending = strtolower(pathinfo($file, PATHINFO_EXTENSION));
        self::written($file, match ($ending) {
            'svg' => SvgDrawing::writeTile($scene, $tile),
            'png' => TilePicture::png($scene, $tile, $width),
            'pdf' => Raster::pdf(SvgDrawing::writeTile($scene, $tile)),
            default => throw new \UnexpectedValueException("$file does not end in .svg, .png or .pdf"),
        });
        if ($ending === 'png' && ! $tile->isExactAt($width)) {
            $near = implode(' or ', array_map(static fn (array $size): string => "$size[0] × $size[1]", $tile->exactNear($width)));
            fwrite($this->errors, sprintf('sternbild: at %d × %d pixels the tile is stretched by %.2f pixels%s', $width, $tile->heightFor($width), $tile->offAt($width), $near === '' ? '' : "; exact are $near")."\n");
        }
    }

    private static function scale(Scene $scene, string $text): float
    {
        $scale = is_numeric($text) ? (float) $text : 0.0;
        $side = max($scene->plan->width, $scene->plan->height) * $scene->plan->unit->pixels() * $scale;
        if (! is_finite($scale) || $scale <= 0.0 || $side > Raster::LARGEST_SIDE) {
            throw new \UnexpectedValueException('--scale must be more than 0 and give at most '.Raster::LARGEST_SIDE." pixels a side; it is $text");
        }

        return $scale;
    }
}
