<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

use Sternbild\Core\Geometry\Vec;

/** Something that a check found, with its place and measure. */
final readonly class Finding implements \JsonSerializable
{
    /**
     * @param  'error'|'warning'|'note'  $level
     * @param  string  $code  stable, for programs
     * @param  string|null  $field  the parameter that it is about
     * @param  Vec|null  $at  where on the sheet
     * @param  float|null  $measure  in sheet units
     */
    private function __construct(
        public string $step,
        public string $level,
        public string $code,
        public string $message,
        public ?string $field,
        public ?Vec $at = null,
        public ?float $measure = null,
        public ?Remedy $remedy = null,
    ) {
    }

    public static function error(string $step, string $code, string $message, ?string $field = null): self
    {
        return new self($step, 'error', $code, $message, $field);
    }

    public static function warning(string $step, string $code, string $message, ?string $field = null): self
    {
        return new self($step, 'warning', $code, $message, $field);
    }

    public static function note(string $step, string $code, string $message, ?string $field = null): self
    {
        return new self($step, 'note', $code, $message, $field);
    }

    /** @param  float  $measure  in sheet units */
    public function at(Vec $place, float $measure): self
    {
        return new self($this->step, $this->level, $this->code, $this->message, $this->field, $place, $measure, $this->remedy);
    }

    public function with(Remedy $remedy): self
    {
        return new self($this->step, $this->level, $this->code, $this->message, $this->field, $this->at, $this->measure, $remedy);
    }

    /** The same finding, its message saying what it is about. */
    public function about(string $label): self
    {
        $subject = mb_strtoupper(mb_substr($label, 0, 1)).mb_substr($label, 1);

        return new self(
            $this->step,
            $this->level,
            $this->code,
            "$subject: {$this->message}",
            $this->field,
            $this->at,
            $this->measure,
            $this->remedy,
        );
    }

    public function isError(): bool
    {
        return $this->level === 'error';
    }

    /** Whether nothing comes of the step that it is about: it went wrong, or left nothing. */
    public function isFatal(): bool
    {
        return $this->isError() || $this->code === 'empty';
    }

    /** @return array{step: string, level: string, code: string, message: string, field: string|null, at: array{float, float}|null, measure: float|null, remedy: Remedy|null} */
    public function jsonSerialize(): array
    {
        return [
            'step' => $this->step,
            'level' => $this->level,
            'code' => $this->code,
            'message' => $this->message,
            'field' => $this->field,
            'at' => $this->at === null ? null : [$this->at->x, $this->at->y],
            'measure' => $this->measure,
            'remedy' => $this->remedy,
        ];
    }
}
