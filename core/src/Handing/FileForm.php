<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

use Sternbild\Core\Format\RenderFailed;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\FieldFault;
use Sternbild\Core\Plan\Plan;
use Sternbild\Core\Plan\Scope;
use Sternbild\Core\Plan\Unit;
use Sternbild\Core\Plan\Unusable;

/**
 * A form in which a sheet is handed over. A file of this folder is all that a new one needs: Forms finds it there, and whatever offers,
 * checks or makes files reads it from them.
 */
abstract class FileForm
{
    private const TYPES = [
        'svg' => 'image/svg+xml',
        'png' => 'image/png',
        'pdf' => 'application/pdf',
        'zip' => 'application/zip',
        'json' => 'application/json',
    ];

    /** As requests and the command line have it. */
    abstract public function name(): string;

    /** Where it stands among the others. */
    abstract public function rank(): int;

    /** Whether it is made while its asker waits, and not in turn. */
    public function isQuick(): bool
    {
        return false;
    }

    /** Whether the sheet has anything to be handed over so. */
    public function suits(Handed $of): bool
    {
        return true;
    }

    /** @return list<Field> */
    abstract public function options(Handed $of): array;

    /**
     * How the file's name ends.
     *
     * @param  array<string, mixed>  $asked  options as asked() gives them
     */
    abstract public function ending(array $asked): string;

    /**
     * Says what it will be, and refuses what would be too large or take too long, by the option that makes it so.
     *
     * @param  array<string, mixed>  $asked
     *
     * @throws WrongOptions
     * @throws Unusable
     */
    public function estimate(Handed $of, array $asked): Estimate
    {
        return new Estimate;
    }

    /** @return array<string, mixed> options that a dialog proposes, where these are not what is meant unless said */
    public function proposed(Handed $of): array
    {
        return [];
    }

    /** Whether something of it is proved, which takes a while. */
    public function isProved(): bool
    {
        return false;
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return list<string> what came of proving it, in sentences
     *
     * @throws Unusable
     */
    public function proved(Handed $of, array $asked): array
    {
        return [];
    }

    /**
     * @param  array<string, mixed>  $asked
     *
     * @throws RenderFailed
     * @throws Unusable
     */
    abstract public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void;

    /**
     * Options as they were asked for, worked out: numbers as floats, and what was not said as it usually is.
     *
     * @param  array<array-key, mixed>  $given
     * @return array<string, mixed>
     *
     * @throws WrongOptions
     */
    final public function asked(Handed $of, array $given): array
    {
        $options = $this->options($of);
        $wrong = $asked = [];
        $names = array_column($options, 'name');
        foreach (array_diff(array_map(strval(...), array_keys($given)), $names) as $name) {
            $wrong[$name] =
                $names === []
                    ? "The form “{$this->name()}” has no options."
                    : "The form “{$this->name()}” has no option of this name; it has ".implode(', ', $names).'.';
        }
        foreach ($options as $field) {
            $raw = $given[$field->name] ?? $field->default;
            try {
                if ($raw !== null) {
                    $field->check($raw, '');
                    $asked[$field->name] = $field->resolve($raw, new Scope(Plan::bare(Unit::Px), []));
                } elseif ($field->required) {
                    $wrong[$field->name] = ucfirst($field->label).' has to be said.';
                }
            } catch (Unusable $fault) {
                $wrong[$field->name] = ucfirst($field->label).": expected $fault->expected.";
            } catch (FieldFault $fault) {
                $wrong[$field->name] = ucfirst($fault->getMessage()).'.';
            }
        }

        return $wrong === [] ? $asked : throw new WrongOptions($wrong);
    }

    /**
     * The media type of a file whose name ends so.
     */
    final public static function type(string $ending): string
    {
        return self::TYPES[$ending] ?? 'application/octet-stream';
    }
}
