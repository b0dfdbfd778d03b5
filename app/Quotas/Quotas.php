<?php

namespace App\Quotas;

use App\Models\Picture;
use App\Models\Sheet;
use App\Models\User;

/**
 * What a person keeps, and how much of it there may be: sheets, and the bytes of all their revisions and of pictures. What was deleted does
 * not count.
 */
final readonly class Quotas
{
    /** @param  int  $pictureBytes  of the bytes those of pictures */
    private function __construct(
        public int $sheets,
        public int $mostSheets,
        public int $bytes,
        public int $mostBytes,
        public int $revisions,
        public int $pictures,
        public int $pictureBytes,
    ) {
    }

    public static function of(User $person): self
    {
        $kept = $person->sheets()->toBase()->selectRaw('count(*) AS sheets, coalesce(sum(bytes), 0) AS bytes')->first();

        $pictures = Picture::query()
            ->where('user_id', $person->id)
            ->toBase()
            ->selectRaw('count(*) AS pictures, coalesce(sum(bytes), 0) AS bytes')
            ->first();
        $pictureBytes = (int) ($pictures->bytes ?? 0);

        return new self(
            (int) ($kept->sheets ?? 0), config()->integer('sternbild.quotas.sheets'),
            (int) ($kept->bytes ?? 0) + $pictureBytes, config()->integer('sternbild.quotas.bytes'),
            config()->integer('sternbild.quotas.revisions'), (int) ($pictures->pictures ?? 0), $pictureBytes,
        );
    }

    /**
     * Refuses one more sheet of so many bytes where there is no room for it. Within a transaction: until that ends, nobody else makes one
     * for this person.
     *
     * @throws OverQuota
     */
    public static function holdSheet(User $person, int $bytes): void
    {
        $query = User::query();
        $query->whereKey($person->id)->lockForUpdate()->value('id');
        $kept = self::of($person);
        if ($kept->sheets >= $kept->mostSheets) {
            throw new OverQuota(
                sprintf(
                    'You have %s sheets, and there may be no more. Delete one that is not needed, then try again.',
                    number_format($kept->sheets),
                ),
            );
        }
        $kept->hold($bytes);
    }

    /**
     * Refuses so many bytes more.
     *
     * @throws OverQuota
     */
    public static function holdBytes(User $person, int $more): void
    {
        self::of($person)->hold($more);
    }

    /** @throws OverQuota */
    private function hold(int $more): void
    {
        if ($this->bytes + $more > $this->mostBytes) {
            throw new OverQuota(sprintf(
                'Your plans with all their revisions, and your pictures, take %.1f MB of %s MB; there is no room for this. Delete a sheet that is not needed, or pictures that no sheet has, then try again.',
                $this->bytes / 1e6, number_format($this->mostBytes / 1e6),
            ));
        }
    }
}
