<?php

/*
 * Stand-ins for functions that newer PHP versions bring along, or a polyfill package that is not installed.
 * README.md in this folder says when each of them can go.
 */

if (! function_exists('array_first')) {
    /**
     * @template T
     *
     * @param  array<array-key, T>  $array
     * @return T|null the first value, null for an empty array
     */
    function array_first(array $array): mixed
    {
        foreach ($array as $value) {
            return $value;
        }

        return null;
    }
}

if (! function_exists('array_last')) {
    /**
     * @template T
     *
     * @param  array<array-key, T>  $array
     * @return T|null the last value, null for an empty array
     */
    function array_last(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_last($array)];
    }
}

if (! function_exists('get_error_handler')) {
    /** The error handler in force, null for PHP's own. */
    function get_error_handler(): ?callable
    {
        $handler = set_error_handler(static fn (): bool => false);
        restore_error_handler();

        return $handler;
    }
}

if (! function_exists('get_exception_handler')) {
    /** The exception handler in force, null for PHP's own. */
    function get_exception_handler(): ?callable
    {
        $handler = set_exception_handler(static function (): void {
        });
        restore_exception_handler();

        return $handler;
    }
}
