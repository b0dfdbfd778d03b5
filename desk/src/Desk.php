<?php

declare(strict_types=1);

namespace Sternbild\Desk;

use Sternbild\Core\Handing\FileForm;
use Sternbild\Core\Handing\Handed;
use Sternbild\Core\Plan\Asking;
use Sternbild\Core\Plan\Field;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;

/** What a screen needs to know of the kinds of steps. */
final class Desk implements Asking
{
    /** @var array<string, list<string>> by the kind's name */
    private array $askedFor = [];

    /** @return KindDesk|null null for a kind that nobody makes by hand */
    public static function of(Kind $kind): ?KindDesk
    {
        $class = __NAMESPACE__.'\\Kind\\'.str_replace(' ', '', ucwords(str_replace('.', ' ', $kind->name())));

        return is_subclass_of($class, KindDesk::class) ? new $class : null;
    }

    /** @return list<Offer> */
    public static function offers(Kind $kind): array
    {
        return self::of($kind)?->offers() ?? [];
    }

    public function askedFor(Kind $kind): array
    {
        return $this->askedFor[$kind->name()] ??= self::of($kind)?->askedFor($kind) ?? [];
    }

    /**
     * What the interface has to know of every kind, in the order in which it offers them.
     *
     * @return list<array<string, mixed>>
     */
    public static function describe(Kinds $kinds): array
    {
        return array_map(static function (Kind $kind): array {
            $pictures = self::of($kind)?->pictures() ?? [];

            return [
                'kind' => $kind->name(),
                'label' => $kind->label(),
                'chapter' => $kind->purpose()->value,
                'makes' => $kind->makes()->value,
                'fields' => array_map(
                    static fn (Field $field): array => self::field($field, $pictures[$field->name] ?? []),
                    $kind->fields(),
                ),
                'offers' => array_map(static fn (Offer $offer): array => $offer->describe(), self::offers($kind)),
            ];
        }, $kinds->list());
    }

    /** @return array<string, mixed> what a dialog has to know to ask for a file */
    public static function form(FileForm $form, Handed $of): array
    {
        return [
            'name' => $form->name(),
            'label' => FileWords::label($form),
            'says' => FileWords::says($form),
            'quick' => $form->isQuick(),
            'proved' => $form->isProved(),
            'proposed' => (object) $form->proposed($of),
            'options' => array_map(static fn (Field $field): array => self::field($field), $form->options($of)),
        ];
    }

    /**
     * What the interface has to know of a field, wherever it stands.
     *
     * @param  list<Pictured>  $pictures
     * @return array<string, mixed>
     */
    public static function field(Field $field, array $pictures = []): array
    {
        $said = [...$field->describe(), 'says' => Help::for($field)];
        $texts = array_column(is_array($said['choices'] ?? null) ? $said['choices'] : [], 'text', 'value');

        return $pictures === []
            ? $said
            : [
                ...$said,
                'choices' => array_map(
                    static fn (Pictured $picture): array => $picture->describe((string) ($texts[$picture->value] ?? '')),
                    $pictures,
                ),
            ];
    }
}
