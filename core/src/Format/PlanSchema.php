<?php

declare(strict_types=1);

namespace Sternbild\Core\Format;

use Sternbild\Core\Plan\Address;
use Sternbild\Core\Plan\Field\ColourField;
use Sternbild\Core\Plan\Kind;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Reading\SheetProperties;

/** The JSON Schema of plans, put together from what the kinds declare. PlanReader checks the same, and more that a schema cannot say. */
final class PlanSchema
{
    /** @return array<string, mixed> JSON Schema, draft 2020-12 */
    public static function document(Kinds $kinds): array
    {
        $number = ['type' => ['number', 'string']];
        $place = ['$ref' => '#/$defs/place'];

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'Sternbild plan',
            'type' => 'object',
            'required' => ['format', 'version', 'sheet', 'steps'],
            'additionalProperties' => false,
            'properties' => [
                'format' => ['const' => PlanReader::FORMAT],
                'version' => ['const' => PlanReader::VERSION],
                'sheet' => SheetProperties::schema(),
                'values' => ['type' => 'object', 'additionalProperties' => $number],
                'palette' => ['type' => 'object', 'additionalProperties' => ['type' => 'string', 'pattern' => ColourField::HEX]],
                'chapters' => [
                    'type' => 'array',
                    'items' => [
                        'type' => 'object',
                        'required' => ['name', 'from'],
                        'additionalProperties' => false,
                        'properties' => [
                            'name' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 80],
                            'from' => ['$ref' => '#/$defs/id'],
                        ],
                    ],
                ],
                'given' => ['type' => 'object', 'propertyNames' => ['pattern' => '^[a-z]$'], 'additionalProperties' => self::numbered()],
                'steps' => [
                    'type' => 'array',
                    'maxItems' => PlanReader::MOST_STEPS,
                    'items' => ['oneOf' => array_map(self::step(...), $kinds->list())],
                ],
            ],
            '$defs' => [
                'id' => ['type' => 'string', 'pattern' => '^[a-z][a-z0-9]*$'],
                'member' => ['type' => 'string', 'pattern' => Address::MEMBER_PATTERN],
                'place' => [
                    'oneOf' => [
                        ['type' => 'array', 'prefixItems' => [$number, $number], 'minItems' => 2, 'maxItems' => 2],
                        ['type' => 'string', 'pattern' => Address::PATTERN],
                        self::composed(['of' => $place, 'by' => $place]),
                        self::composed(['of' => $place, 'angle' => $number, 'distance' => $number]),
                        self::composed([
                            'between' => ['type' => 'array', 'items' => $place, 'minItems' => 2, 'maxItems' => 2],
                            'share' => $number,
                        ]),
                        self::composed(['column' => $place, 'row' => $place]),
                    ],
                ],
                'colour' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 40],
            ],
        ];
    }

    /**
     * @param  non-empty-array<string, array<string, mixed>>  $properties
     * @return array<string, mixed>
     */
    private static function composed(array $properties): array
    {
        return ['type' => 'object', 'required' => array_keys($properties), 'additionalProperties' => false, 'properties' => $properties];
    }

    /** @return array<string, mixed> a number behind a letter or a word */
    private static function numbered(): array
    {
        return ['type' => 'integer', 'minimum' => 1, 'maximum' => PlanReader::HIGHEST];
    }

    /** @return array<string, mixed> */
    private static function step(Kind $kind): array
    {
        $properties = [
            'id' => ['$ref' => '#/$defs/id'],
            'kind' => ['const' => $kind->name()],
            'name' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 80, 'pattern' => '^[^<>]*$'],
            'number' => self::numbered(),
            'muted' => ['type' => 'boolean'],
            'hidden' => ['type' => 'boolean'],
            'fast' => ['type' => 'boolean'],
        ];
        $required = ['id', 'kind'];
        foreach ($kind->fields() as $field) {
            $path = explode('.', $field->name);
            if (isset($path[1])) {
                $outer = $properties[$path[0]] ?? ['type' => 'object', 'additionalProperties' => false, 'properties' => []];
                $inner = is_array($outer['properties'] ?? null) ? $outer['properties'] : [];
                $properties[$path[0]] = [...$outer, 'properties' => [...$inner, $path[1] => $field->schema()]];
            } else {
                $properties[$field->name] = $field->schema();
            }
            if ($field->required) {
                $required[] = $field->name;
            }
        }

        return [
            'title' => $kind->label(),
            'type' => 'object',
            'required' => $required,
            'additionalProperties' => false,
            'properties' => $properties,
        ];
    }
}
