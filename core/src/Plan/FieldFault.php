<?php

declare(strict_types=1);

namespace Sternbild\Core\Plan;

/** A parameter of one step that cannot be used. Becomes a finding of level error on that step. */
final class FieldFault extends \RuntimeException
{
    /**
     * @param  string  $field  the parameter's name, `radius` or `stroke.width`
     * @param  string  $findingCode  `number`, `arithmetic`, `lost`, `limit`, `choice`
     * @param  float|null  $instead  a number for the field that would do
     */
    public function __construct(
        public readonly string $field,
        public readonly string $findingCode,
        string $message,
        public readonly ?float $instead = null,
    ) {
        parent::__construct($message);
    }
}
