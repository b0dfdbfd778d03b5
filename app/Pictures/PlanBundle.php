<?php

namespace App\Pictures;

use App\Models\Picture;
use App\Models\User;
use App\Quotas\OverQuota;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Storage;
use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Handing\Archive;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;

/** A plan and its pictures in one archive: `plan.json`, and beside it `pictures/`, as the command line finds them. */
final class PlanBundle
{
    private const PLAN = 'plan.json';

    private const FOLDER = 'pictures/';

    private const SOURCE = 'sha256:';

    private const MOST_FILES = 200;

    /** Bytes, of one file and of all, unpacked. */
    private const LARGEST = 60_000_000;

    private const LARGEST_TOGETHER = 300_000_000;

    /**
     * Whether a plan names pictures, which can be packed with it.
     *
     * @param  array<string, mixed>  $plan
     */
    public static function names(array $plan): bool
    {
        return self::sources($plan) !== [];
    }

    /**
     * Writes the archive.
     *
     * @param  array<string, mixed>  $plan
     * @param  string  $path  of the file to be
     */
    public static function write(User $owner, array $plan, string $path): void
    {
        $zip = Archive::begun($path);
        $names = [];
        /** @var Collection<int, Picture> $pictures */
        $pictures = Picture::query()
            ->where('user_id', $owner->id)
            ->whereIn('hash', array_map(static fn (string $source): string => substr($source, strlen(self::SOURCE)), self::sources($plan)))
            ->get();
        foreach ($pictures as $picture) {
            $names[$picture->source()] = $name = self::FOLDER.substr($picture->hash, 0, 16).($picture->type === 'png' ? '.png' : '.jpg');
            $zip->addFromString($name, (string) Storage::get($picture->path()));
            // They are packed already.
            $zip->setCompressionName($name, \ZipArchive::CM_STORE);
        }
        $zip->addFromString(self::PLAN, PlanJson::pretty(self::renamed($plan, $names)));
        Archive::ended($zip);
    }

    /**
     * The plan in an archive, its pictures taken in.
     *
     * @return array{plan: array<array-key, mixed>, left: list<string>}
     *
     * @throws NoPicture where the archive is none, or one of its pictures cannot be taken in
     * @throws OverQuota
     * @throws Unusable where its plan is none
     */
    public static function read(User $person, string $path): array
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw new NoPicture('Expected a zip with plan.json and its pictures; this file is no zip.');
        }
        try {
            $left = self::looked($zip);
            $text = self::entry($zip, self::PLAN) ?? throw new NoPicture('Expected a zip with plan.json in it; this one has none.');
            $plan = PlanReader::decode($text);
            $names = [];
            foreach (array_unique(self::sources($plan)) as $source) {
                if (str_starts_with($source, self::SOURCE) || str_starts_with($source, 'sample:')) {
                    continue;
                }
                $bytes = self::entry($zip, $source);
                if ($bytes === null) {
                    $left[] = "$source: the plan names this picture, and the zip does not hold it";

                    continue;
                }
                $names[$source] = self::taken($person, $source, $bytes);
            }

            return ['plan' => self::renamed($plan, $names), 'left' => $left];
        } finally {
            $zip->close();
        }
    }

    /**
     * Looks through the list of what is in it, before anything is unpacked.
     *
     * @return list<string> what is left out
     *
     * @throws NoPicture
     */
    private static function looked(\ZipArchive $zip): array
    {
        if ($zip->numFiles > self::MOST_FILES) {
            throw new NoPicture('Expected at most '.self::MOST_FILES." files in the zip; this one has {$zip->numFiles}.");
        }
        $left = [];
        $together = 0;
        for ($number = 0; $number < $zip->numFiles; $number++) {
            $file = $zip->statIndex($number);
            $name = $file === false ? '' : (string) $file['name'];
            if (str_contains($name, '..') || str_starts_with($name, '/') || str_contains($name, '\\') || str_contains($name, ':')) {
                throw new NoPicture(
                    'The zip holds a file that would climb out of its folder: “'.mb_substr($name, 0, 60).'”. Nothing was unpacked.',
                );
            }
            $size = $file === false ? 0 : (int) $file['size'];
            $together += $size;
            if ($size > self::LARGEST || $together > self::LARGEST_TOGETHER) {
                throw new NoPicture(
                    sprintf(
                        'Unpacked, the zip would have more than %d MB in one file, or %d in all. Nothing was unpacked.',
                        self::LARGEST / 1e6,
                        self::LARGEST_TOGETHER / 1e6,
                    ),
                );
            }
            if ($name !== self::PLAN && ! str_ends_with($name, '/') && ! str_starts_with($name, self::FOLDER)) {
                $left[] = "$name: neither the plan nor one of its pictures";
            }
        }

        return $left;
    }

    /**
     * What is in one of its files; never more than was said of it.
     *
     * @throws NoPicture
     */
    private static function entry(\ZipArchive $zip, string $name): ?string
    {
        $stream = $zip->getStream($name);
        if ($stream === false) {
            return null;
        }
        $bytes = (string) stream_get_contents($stream, self::LARGEST + 1);
        fclose($stream);

        return strlen($bytes) <= self::LARGEST ? $bytes : throw new NoPicture("$name: unpacked it has more than was said of it.");
    }

    /**
     * @throws NoPicture
     * @throws OverQuota
     */
    private static function taken(User $person, string $name, string $bytes): string
    {
        // What was kept here before is the same file again, to the byte.
        $known = Picture::query()->where('user_id', $person->id)->where('hash', hash('sha256', $bytes))->first();
        if ($known !== null) {
            return $known->source();
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'bundle');
        try {
            file_put_contents($file, $bytes);

            return PictureBook::take($person, $file)->source();
        } catch (NoPicture $fault) {
            throw new NoPicture("$name: {$fault->getMessage()}", previous: $fault);
        } finally {
            unlink($file);
        }
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return list<string> how its steps name their pictures
     */
    private static function sources(array $plan): array
    {
        $sources = [];
        foreach (is_array($plan['steps'] ?? null) ? $plan['steps'] : [] as $step) {
            if (is_array($step) && is_string($step['source'] ?? null)) {
                $sources[] = $step['source'];
            }
        }

        return $sources;
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @param  array<string, string>  $names  new ones by old
     * @return array<array-key, mixed>
     */
    private static function renamed(array $plan, array $names): array
    {
        return [
            ...$plan,
            'steps' => array_map(
                static fn (mixed $step): mixed => is_array($step) && is_string($step['source'] ?? null)
                    ? [...$step, 'source' => $names[$step['source']] ?? $step['source']]
                    : $step,
                is_array($plan['steps'] ?? null) ? $plan['steps'] : [],
            ),
        ];
    }
}
