<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan\Edit;

use Sternbild\Core\Plan\Unusable;

/**
 * `{op: "sheet", field, value}`
 *
 * Sets a property of the sheet.
 */
final class SetSheet implements Operation
{
    private const FIELDS = ['width', 'height', 'unit', 'background', 'checks.sliver', 'checks.miss', 'checks.corner', 'checks.small', 'seams', 'light', 'colours'];

    public function name(): string
    {
        return 'sheet';
    }

    public function properties(): array
    {
        return [
            'field' => ['enum' => self::FIELDS],
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
        if (! is_string($field) || ! in_array($field, self::FIELDS, true)) {
            throw Unusable::at("$pointer/field", 'one of '.implode(', ', self::FIELDS));
        }
        $sheet = $draft->part('sheet');
        $path = explode('.', $field);
        // A background of nothing is written down as that.
        $draft->put('sheet', isset($path[1]) ? Inside::with($sheet, $path, $operation['value'] ?? null) : [...$sheet, $field => $operation['value'] ?? null]);
        $draft->call("Change the sheet’s $field");
    }
}
