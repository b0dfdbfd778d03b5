<?php

declare(strict_types=1);

namespace Sternbild\Core\Shape;

/** How much of another’s look an in-between has. */
final readonly class Blend
{
    /** In-betweens of in-betweens that are looked into for their looks; farther in, those of what they began with count. */
    private const DEEPEST = 3;

    /** @var int one more than what it lies between */
    private int $depth;

    /** Of what it begins with, and of the other, where these are in-betweens themselves. */
    public ?self $from;

    public ?self $to;

    /**
     * @param  list<string>  $steps  ids that the other came through
     * @param  float  $share  of the other's look, from 0 to 1
     */
    public function __construct(public array $steps, public float $share, ?self $from = null, ?self $to = null)
    {
        $this->from = ($from->depth ?? 0) < self::DEEPEST ? $from : null;
        $this->to = ($to->depth ?? 0) < self::DEEPEST ? $to : null;
        $this->depth = 1 + max($this->from->depth ?? 0, $this->to->depth ?? 0);
    }

    /** Brought on by one more step. */
    public function through(string $step): self
    {
        return new self([...$this->steps, $step], $this->share, $this->from?->through($step), $this->to?->through($step));
    }

    /** The same for those that look the same. */
    public function key(): string
    {
        return implode(' ', [$this->share, ...$this->steps, '<', $this->from?->key(), '>', $this->to?->key()]);
    }
}
