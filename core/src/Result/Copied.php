<?php

declare(strict_types=1);

namespace Sternbild\Core\Result;

/** What is made of copies, and hands each of them out by itself. */
trait Copied
{
    abstract public function copy(int $copy, ?int $member): ?self;

    /**
     * Every copy by its own name; itself where it has none.
     *
     * @return array<string, self>
     */
    public function named(string $id): array
    {
        $copies = $this->copies();
        if ($copies === null) {
            return [$id => $this];
        }
        $named = [];
        foreach ($copies->names($id) as $name => [$copy, $member]) {
            $one = $this->copy($copy, $member);
            if ($one !== null) {
                $named[$name] = $one;
            }
        }

        return $named;
    }
}
