<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

/** The scanner's interface over HTTP, as docs/scanner.md describes it. */
final readonly class Panel
{
    /**
     * @param  string  $home  the folder of all desks
     * @param  \Closure(string, string): void  $light  begins to scan: given a desk's folder and the scan's id
     */
    public function __construct(private string $home, private Tray $tray, private \Closure $light)
    {
    }

    /**
     * @param  string  $body  JSON, or nothing
     * @return array{int, array<string, mixed>|string} status, and what is told; a file where it is a text
     */
    public function answer(string $method, string $path, string $body = ''): array
    {
        try {
            return $this->answered($method, $path, self::said($body));
        } catch (Refusal $refusal) {
            return [$refusal->status, ['code' => $refusal->reason, 'field' => $refusal->field, 'message' => $refusal->getMessage()]];
        }
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array{int, array<string, mixed>|string}
     *
     * @throws Refusal
     */
    private function answered(string $method, string $path, array $said): array
    {
        if ($path === '/up') {
            return [200, ['state' => 'up']];
        }
        if (
            preg_match(
                '~^/desks/([^/]+)(?:/(pages|scans|cover|feed)(?:/([a-z0-9]+)(/image)?)?)?$~D',
                $path,
                $found,
                PREG_UNMATCHED_AS_NULL,
            ) !== 1
        ) {
            throw Refusal::unknown('There is nothing of this name.');
        }
        [$desk, $part, $id, $image] = [
            new Desk($this->home, (string) $found[1], $this->tray, $this->light),
            $found[2] ?? '',
            $found[3] ?? '',
            $found[4] ?? '',
        ];
        switch ("$method $part".($id === '' ? '' : '/*').$image) {
            case 'GET ':
                return [200, $desk->told()];
            case 'GET pages/*':
                return [200, $this->tray->page($id)->file];
            case 'POST scans':
                return [
                    201,
                    $desk
                        ->scan(
                            self::text($said, 'page'),
                            self::whole($said, 'resolution'),
                            isset($said['seed']) ? self::whole($said, 'seed') : null,
                        )
                        ->told(),
                ];
            case 'GET scans/*':
                return [200, $desk->find($id)->told()];
            case 'GET scans/*/image':
                return [200, $desk->image($id)];
            case 'DELETE scans/*':
                $desk->cancel($id);

                return [200, $desk->told()];
            case 'PUT cover':
                $desk->cover(self::truth($said, 'open'));

                return [200, $desk->told()];
            case 'PUT feed':
                $at = $said['at'] ?? 0.5;
                $desk->feed(
                    ! self::truth($said, 'jam')
                        ? null
                        : (is_int($at) || is_float($at)
                            ? (float) $at
                            : throw Refusal::field('at', 'Expected a number from 0 to 1: how far the sheet gets.')),
                );

                return [200, $desk->told()];
            default:
                throw Refusal::unknown('There is nothing of this name.');
        }
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Refusal
     */
    private static function said(string $body): array
    {
        $said = $body === '' ? [] : json_decode($body, true, 4);

        return is_array($said) ? $said : throw Refusal::field('body', 'Expected an object in JSON.');
    }

    /**
     * @param  array<string, mixed>  $said
     *
     * @throws Refusal
     */
    private static function text(array $said, string $field): string
    {
        return is_string($said[$field] ?? null) ? $said[$field] : throw Refusal::field($field, 'Expected a name.');
    }

    /**
     * @param  array<string, mixed>  $said
     *
     * @throws Refusal
     */
    private static function whole(array $said, string $field): int
    {
        return is_int($said[$field] ?? null) ? $said[$field] : throw Refusal::field($field, 'Expected a whole number.');
    }

    /**
     * @param  array<string, mixed>  $said
     *
     * @throws Refusal
     */
    private static function truth(array $said, string $field): bool
    {
        return is_bool($said[$field] ?? null) ? $said[$field] : throw Refusal::field($field, 'Expected true or false.');
    }
}
