<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/**
 * The palette as design tokens (Design Tokens Format Module and Color Module, draft of the W3C's Design Tokens Community Group). Names of
 * colours have none of the signs that mean something there.
 */
final class TokensForm extends PaletteForm
{
    public function name(): string
    {
        return 'tokens';
    }

    public function rank(): int
    {
        return 9;
    }

    public function ending(array $asked): string
    {
        return 'tokens.json';
    }

    public function write(Handed $of, array $asked, string $path, Meanwhile $meanwhile): void
    {
        $tokens = [];
        foreach (self::palette($of) as $name => $hex) {
            $components = array_map(static fn (string $part): float => round(hexdec($part) / 255, 6), str_split(substr($hex, 1), 2));
            $tokens[(string) $name] = ['$value' => ['colorSpace' => 'srgb', 'components' => $components, 'alpha' => 1, 'hex' => $hex]];
        }
        file_put_contents(
            $path,
            json_encode(
                ['$type' => 'color', ...$tokens],
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            )."\n",
        );
    }
}
