<?php

declare(strict_types=1);

namespace Sternbild\Scanner;

/** The pencil sketches that lie in the tray: made up, and drawn as SVG, a file each. */
final readonly class Tray
{
    public function __construct(private string $folder = __DIR__.'/../pages')
    {
    }

    /** @return list<Page> by their names */
    public function pages(): array
    {
        return array_map(self::read(...), glob("$this->folder/*.svg") ?: []);
    }

    /** @throws Refusal */
    public function page(string $name): Page
    {
        foreach ($this->pages() as $page) {
            if ($page->name === $name) {
                return $page;
            }
        }
        throw Refusal::field(
            'page',
            'Expected the name of a sheet in the tray: '.
                implode(', ', array_map(static fn (Page $page): string => $page->name, $this->pages())).
                '.',
        );
    }

    private static function read(string $file): Page
    {
        $svg = simplexml_load_file($file) ?: throw new \LogicException("$file is no drawing.");

        return new Page(basename($file, '.svg'), (string) $svg->title, (float) $svg['width'], (float) $svg['height'], $file);
    }
}
