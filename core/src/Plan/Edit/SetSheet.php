<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Reading\SheetProperties;
use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "sheet", field, value}`
 *
 * Sets a property of the sheet.
 */
final class SetSheet implements Operation
{
    public function name(): string
    {
        return 'sheet';
    }

    public function properties(): array
    {
        return [
            'field' => ['type' => 'string'],
            'value' => [],
        ];
    }

    public function required(): array
    {
        return ['field', 'value'];
    }

    public function apply(Draft $draft, array $operation, string $pointer): void
    {
        $field = $operation['field'] ?? null;
        if (! is_string($field) || ! in_array($field, self::fields(), true)) {
            throw Unusable::at("$pointer/field", 'one of '.implode(', ', self::fields()));
        }
        $sheet = $draft->part('sheet');
        $path = explode('.', $field);
        $value = $operation['value'] ?? null;
        // A colour of nothing is written down as that.
        $value = $value === 'none' && SheetProperties::all()[$field]->field->type() === 'colour' ? null : $value;
        $draft->put('sheet', isset($path[1]) ? Inside::with($sheet, $path, $value) : [...$sheet, $field => $value]);
        $draft->call("Change the sheet’s $field");
    }

    /** @return list<string> */
    private static function fields(): array
    {
        return array_map(strval(...), array_keys(SheetProperties::all()));
    }
}
