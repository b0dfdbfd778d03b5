<?php

declare(strict_types=1);

namespace Sternbild\Core\Paint;

/**
 * The look of one figure, worked out. Colours are #rrggbb or "none"; those of a gradient are what stands for it where there is one colour
 * only.
 */
final readonly class Style
{
    /**
     * @param  list<float>  $dash
     * @param  bool  $bare  whether neither fill nor stroke was said yet
     */
    private function __construct(
        public string $fill,
        public string $stroke,
        public float $strokeWidth,
        public string $join,
        public string $cap,
        public array $dash,
        public float $opacity,
        public string $blend,
        public ?Gradient $gradient = null,
        public ?Gradient $strokeGradient = null,
        public ?PatternFill $pattern = null,
        public bool $bare = false,
    ) {
    }

    /**
     * What has been said, the rest as SVG has it: filled black, no stroke. Whoever asks for a stroke only gets no fill.
     *
     * @param  array<string, mixed>  $said  by field name of the style step
     */
    public static function of(array $said): self
    {
        $stroke = self::text($said, 'stroke.color', 'none');

        return new self(
            self::text($said, 'fill', $stroke === 'none' ? '#000000' : 'none'),
            $stroke,
            self::number($said, 'stroke.width', 1.0),
            self::text($said, 'stroke.join', 'miter'),
            self::text($said, 'stroke.cap', 'butt'),
            array_values(array_filter(is_array($said['stroke.dash'] ?? null) ? $said['stroke.dash'] : [], is_float(...))),
            self::number($said, 'opacity', 1.0),
            self::text($said, 'blend', 'normal'),
            ($said['fill'] ?? null) instanceof Gradient ? $said['fill'] : null,
            ($said['stroke.color'] ?? null) instanceof Gradient ? $said['stroke.color'] : null,
            ($said['fill'] ?? null) instanceof PatternFill ? $said['fill'] : null,
            ! isset($said['fill']) && ! isset($said['stroke.color']),
        );
    }

    /** Whether nothing is seen through its fill. */
    public function covers(): bool
    {
        return $this->fill !== 'none' &&
            $this->opacity >= 1.0 &&
            $this->blend === 'normal' &&
            $this->gradient?->isOpaque() !== false &&
            $this->pattern === null;
    }

    /** The same with its stroke so many times as wide. */
    public function sized(float $factor): self
    {
        return new self(
            $this->fill,
            $this->stroke,
            $this->strokeWidth * $factor,
            $this->join,
            $this->cap,
            array_map(static fn (float $one): float => $one * $factor, $this->dash),
            $this->opacity,
            $this->blend,
            $this->gradient,
            $this->strokeGradient,
            $this->pattern,
            $this->bare,
        );
    }

    /** The same with its gradients and its pattern as a figure has them. */
    public function with(?Gradient $fill, ?Gradient $stroke, ?PatternFill $pattern): self
    {
        return new self(
            $pattern->plain ?? $this->fill,
            $this->stroke,
            $this->strokeWidth,
            $this->join,
            $this->cap,
            $this->dash,
            $this->opacity,
            $this->blend,
            $fill,
            $stroke,
            $pattern,
            $this->bare,
        );
    }

    /** What lies between two looks; what cannot be mixed goes over in the middle. */
    public function towards(self $other, float $share): self
    {
        $colour = static fn (string $one, string $two): string => $one !== 'none' && $two !== 'none'
            ? Oklab::mix($one, $two, $share)
            : ($share < 0.5
                ? $one
                : $two);
        $number = static fn (float $one, float $two): float => $one + $share * ($two - $one);
        $nearer = $share < 0.5 ? $this : $other;

        return new self(
            $colour($this->fill, $other->fill),
            $colour($this->stroke, $other->stroke),
            $number($this->strokeWidth, $other->strokeWidth),
            $nearer->join,
            $nearer->cap,
            $nearer->dash,
            $number($this->opacity, $other->opacity),
            $nearer->blend,
            self::gradient($this->gradient, $other->gradient, $share, $nearer->gradient),
            self::gradient($this->strokeGradient, $other->strokeGradient, $share, $nearer->strokeGradient),
            $nearer->pattern,
            $this->bare && $other->bare,
        );
    }

    private static function gradient(?Gradient $one, ?Gradient $other, float $share, ?Gradient $nearer): ?Gradient
    {
        return ($one === null || $other === null ? null : $one->towards($other, $share)) ?? $nearer;
    }

    /** @param  array<string, mixed>  $said */
    private static function text(array $said, string $field, string $default): string
    {
        $value = $said[$field] ?? null;

        return match (true) {
            is_string($value) => $value,
            $value instanceof Gradient => $value->plain(),
            $value instanceof PatternFill => $value->plain,
            default => $default,
        };
    }

    /** @param  array<string, mixed>  $said */
    private static function number(array $said, string $field, float $default): float
    {
        $value = $said[$field] ?? null;

        return is_float($value) ? $value : $default;
    }
}
