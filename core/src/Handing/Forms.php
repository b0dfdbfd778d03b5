<?php

declare(strict_types=1);

namespace Sternbild\Core\Handing;

/** All forms in which sheets are handed over. */
final class Forms
{
    /** @return array<string, FileForm> by name, in the order in which they are offered */
    public static function all(): array
    {
        /** @var array<string, FileForm>|null $all */
        static $all = null;
        if ($all === null) {
            $found = [];
            foreach (glob(__DIR__.'/*.php') ?: [] as $file) {
                $class = __NAMESPACE__.'\\'.basename($file, '.php');
                if (is_subclass_of($class, FileForm::class) && ! (new \ReflectionClass($class))->isAbstract()) {
                    $found[] = new $class;
                }
            }
            usort($found, static fn (FileForm $one, FileForm $other): int => $one->rank() <=> $other->rank());
            $all = [];
            foreach ($found as $form) {
                $all[$form->name()] = $form;
            }
        }

        return $all;
    }

    /** @throws WrongOptions where there is none of this name */
    public static function named(mixed $name): FileForm
    {
        return (is_string($name) ? self::all()[$name] ?? null : null)
            ?? throw WrongOptions::at('format', 'There is no such form of a file; there are '.implode(', ', array_keys(self::all())).'.');
    }
}
