<?php

declare(strict_types=1);

namespace Sternbild\Core\Snap;

/** All places of a sheet that a pointer can snap to, in groups: those that one thing has, or two where they meet. */
final readonly class SnapList implements \JsonSerializable
{
    /**
     * @param  list<string>  $groups  their hashes
     * @param  array<string, mixed>  $known  by hash the groups that the receiver does not know yet
     * @param  bool  $complete  whether these are all
     */
    public function __construct(public array $groups, public array $known, public bool $complete)
    {
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'groups' => $this->groups,
            'known' => (object) $this->known,
            'complete' => $this->complete,
            'ranks' => Candidate::RANKS,
            'beside' => Candidate::BESIDE,
        ];
    }
}
