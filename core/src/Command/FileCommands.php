<?php

declare(strict_types=1);

namespace Sternbild\Core\Command;

use Sternbild\Core\Format\MovingRaster;
use Sternbild\Core\Format\PixelRaster;
use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Handing\Estimate;
use Sternbild\Core\Handing\Forms;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Handing\Unwatched;
use Sternbild\Core\Handing\WrongOptions;
use Sternbild\Core\Plan\Unusable;

/** Files from the command line: `render`, `tile` and `pixels` are ways of calling `hand`, which knows every form that Handing has. */
final readonly class FileCommands
{
    /** What `render` shows, by its flags. */
    private const SHOWN = ['construction' => 'construction', 'with-grid' => 'grid', 'with-uses' => 'uses'];

    /** @param  resource  $errors */
    public function __construct(private Handed $handed, private mixed $errors)
    {
    }

    /**
     * A file in the form of a name, its options as texts.
     *
     * @param  array<string, string>  $options
     *
     * @throws RenderFailed
     * @throws Unusable
     * @throws WrongOptions
     */
    public function named(string $form, string $file, array $options): void
    {
        $this->hand($form, $file, $this->typed($form, $options));
    }

    /**
     * @param  array<string, string>  $options
     *
     * @throws RenderFailed
     * @throws Unusable
     * @throws WrongOptions
     */
    public function render(string $file, array $options): void
    {
        $ending = self::ending($file, ['svg', 'png', 'pdf']);
        $flag = array_key_first(array_intersect_key(self::SHOWN, $options));
        $shown = $flag === null ? [] : ['shown' => self::SHOWN[$flag]];
        // What says what repeats once is SVG; as a picture it is the same.
        $shown = $ending !== 'svg' && $shown === ['shown' => 'uses'] ? [] : $shown;
        $this->hand($ending, $file, [...$shown, ...($ending === 'png' ? self::number($options, 'scale') : [])]);
    }

    /**
     * Writes a file in one of the forms.
     *
     * @param  array<string, mixed>  $options
     *
     * @throws RenderFailed
     * @throws Unusable
     * @throws WrongOptions
     */
    private function hand(string $form, string $file, array $options): Estimate
    {
        $form = Forms::named($form);
        try {
            $asked = $form->asked($this->handed, $options);
            $estimate = $form->estimate($this->handed, $asked);
        } catch (WrongOptions $fault) {
            throw new \UnexpectedValueException('--'.array_key_first($fault->wrong).": {$fault->getMessage()}");
        }
        $made = (string) tempnam(sys_get_temp_dir(), 'sternbild');
        $form->write($this->handed, $asked, $made, new Unwatched);
        self::written($file, (string) file_get_contents($made));
        unlink($made);

        return $estimate;
    }

    /**
     * Options of a form from their texts: lists have commas.
     *
     * @param  array<string, string>  $options
     * @return array<string, mixed>
     *
     * @throws WrongOptions
     */
    private function typed(string $form, array $options): array
    {
        $typed = $options;
        foreach (Forms::named($form)->options($this->handed) as $field) {
            $text = $options[$field->name] ?? null;
            if ($text !== null) {
                $list = $text === '' ? [] : explode(',', $text);
                $typed[$field->name] = match ($field->type()) {
                    'switch' => filter_var($text, FILTER_VALIDATE_BOOLEAN, FILTER_NULL_ON_FAILURE) ?? $text,
                    'many' => $list,
                    'sizes' => array_map(static fn (string $one): int|string => ctype_digit($one) ? (int) $one : $one, $list),
                    default => $text,
                };
            }
        }

        return $typed;
    }

    /**
     * @param  array<string, string>  $options
     * @return array<string, string> the one that is a number, where it is said
     */
    private static function number(array $options, string $name): array
    {
        return array_intersect_key($options, [$name => true]);
    }

    /** @param  non-empty-list<string>  $known */
    private static function ending(string $file, array $known): string
    {
        $ending = strtolower(pathinfo($file, PATHINFO_EXTENSION));
        if (! in_array($ending, $known, true)) {
            $last = array_pop($known);
            throw new \UnexpectedValueException(
                "$file does not end in ".implode(', ', array_map(static fn (string $one): string => ".$one", $known))." or .$last",
            );
        }

        return $ending;
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
     * @throws RenderFailed
     * @throws Unusable
     * @throws WrongOptions
     */
    public function pixels(string $grid, string $file, array $options, string $plan): void
    {
        $beside = preg_replace('/\.\w+$/D', '', $file).'.json';
        if (isset($options['frames']) && file_exists($beside) && realpath($beside) === realpath($plan)) {
            throw new \UnexpectedValueException("$beside is the plan itself, and would be written over; give the picture another name");
        }
        $as = self::ending($file, ['png', 'svg']);
        $of = $options['frames'] ?? $grid;
        $this->hand(isset($options['frames']) ? 'frames' : 'pixels', $file, [
            'of' => $of,
            'as' => $as,
            ...self::number($options, 'scale'),
        ]);
        if (isset($options['frames'])) {
            [$picture, $frames] = PixelRaster::frames($this->handed->scene(), $of);
            self::written($beside, MovingRaster::json($frames, $picture, basename($file), (int) ($options['scale'] ?? '1')));
        }
    }

    /**
     * The tile of a pattern.
     *
     * @param  array<string, string>  $options
     *
     * @throws RenderFailed
     * @throws Unusable
     * @throws WrongOptions
     */
    public function tile(string $id, string $file, array $options): void
    {
        $as = self::ending($file, ['svg', 'png', 'pdf']);
        $with = isset($options['with']) ? ['with' => explode(',', $options['with'])] : [];
        $estimate = $this->hand('tile', $file, ['of' => $id, 'as' => $as, ...$with, ...self::number($options, 'width')]);
        if ($as === 'png' && $estimate->instead !== []) {
            fwrite(
                $this->errors,
                'sternbild: '.implode(' ', $estimate->told).' '.implode(' or ', array_column($estimate->instead, 'label'))."\n",
            );
        }
    }
}
