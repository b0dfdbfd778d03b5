<?php

declare(strict_types=1);

namespace Sternbild\Core\Command;

use Sternbild\Core\Edit\Variations;
use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Evaluation\Scene;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Format\PlanSchema;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Handing\WrongOptions;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\ShortMemory;
use Sternbild\Core\Svg\DrawingPlan;
use Sternbild\Core\Svg\DrawnFile;
use Sternbild\Core\Svg\NoDrawing;
use Sternbild\Core\View\SceneNumbers;

/**
 * The commands of `sternbild`: scene, render, check, tile, pixels, hand, vary, read, schema. What files can be made, and their options, are
 * what Handing's forms say.
 */
final readonly class CommandLine
{
    private const USAGE = <<<'TEXT'
        sternbild scene PLAN [--pretty]
        sternbild render PLAN OUT.svg|OUT.png|OUT.pdf [--scale N] [--with-grid] [--with-uses] [--construction]
        sternbild check PLAN
        sternbild tile PLAN PATTERN OUT.svg|OUT.png|OUT.pdf [--width N] [--with PATTERN,PATTERN]
        sternbild pixels PLAN GRID OUT.png|OUT.svg [--scale N] [--frames STEP]
        sternbild hand PLAN FORM OUT [--OPTION VALUE …]
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
            [$places, $options] = self::parsed($words, ($words[0] ?? '') === 'hand');
            $command = array_shift($places);
            if ($command === 'schema' && $places === []) {
                fwrite(
                    $this->out,
                    json_encode(
                        PlanSchema::document(Kinds::all()),
                        JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                    )."\n",
                );

                return self::GOOD;
            }
            $wanted =
                ['scene' => 1, 'check' => 1, 'render' => 2, 'vary' => 2, 'tile' => 3, 'pixels' => 3, 'hand' => 3, 'read' => 1][
                    $command ?? ''
                ] ?? null;
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
            $handed = self::handed($places[0]);
            $files = new FileCommands($handed, $this->errors);
            $scene = $handed->scene();
            match ($command) {
                'scene' => $this->printScene($scene, isset($options['pretty'])),
                'check' => $this->printFindings($scene),
                'pixels' => $files->pixels($places[1], $places[2], $options, $places[0]),
                'tile' => $files->tile($places[1], $places[2], $options),
                'hand' => $files->named($places[1], $places[2], $options),
                default => $files->render($places[1], $options),
            };

            return $scene->hasErrors() ? self::FINDINGS : self::GOOD;
        } catch (NoDrawing|Unusable|RenderFailed|WrongOptions|\UnexpectedValueException $fault) {
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
     * @param  bool  $isAny  whether there are more options than those listed here, each with a value
     * @return array{list<string>, array<string, string>}
     */
    private static function parsed(array $words, bool $isAny): array
    {
        $places = [];
        $options = [];
        while ($words !== []) {
            $word = array_shift($words);
            [$name, $value] = [...explode('=', substr($word, 2), 2), null];
            if (str_starts_with($word, '--') && ($isAny || in_array($name, self::WITH_VALUES, true))) {
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

    private static function handed(string $file): Handed
    {
        $kinds = Kinds::all()->withPictures(new FolderPictures(dirname($file)));
        $plan = PlanReader::decode(self::read($file));

        return new Handed(
            $plan,
            pathinfo($file, PATHINFO_FILENAME),
            static fn (): Scene => (new Evaluator(new ShortMemory))->evaluate((new PlanReader($kinds))->fromArray($plan)),
        );
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
        $plans = Variations::drawnFrom(
            PlanReader::decode($json),
            $number('seed', 1, 0, 999_999_999),
            $count,
            Kinds::all(),
            isset($options['what']) ? explode(',', $options['what']) : null,
        );
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
}
