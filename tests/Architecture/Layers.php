<?php

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * What may name what, by full namespace: each row names only what stands in the rows before it, and itself. PHPStan holds it for every name
 * that it resolves, relative ones and those in comments too; a namespace that stands in no row fails `NamespacesTest`.
 */
final class Layers
{
    /** The core's, from what knows nothing of the others upwards. */
    public const CORE = [
        ['Geometry', 'Storage'],
        ['Mesh', 'Result', 'Svg'],
        ['Arrangement', 'Guide', 'Paint'],
        ['Grid'],
        ['Shape'],
        ['Measure', 'Pixel', 'Seam', 'Symmetry'],
        ['Tracing'],
        ['Plan'],
        ['Plan\Field'],
        ['Plan\Kind\Combine', 'Plan\Kind\Copy', 'Plan\Kind\Grid', 'Plan\Kind\Guide', 'Plan\Kind\Look', 'Plan\Kind\Measure'],
        ['Plan\Kind\Motif', 'Plan\Kind\Part', 'Plan\Kind\Pattern', 'Plan\Kind\Place', 'Plan\Kind\Weave'],
        ['Plan\Kind\Form', 'Plan\Kind\Pixel'],
        ['Plan\Kind', 'Snap'],
        ['Check'],
        ['Plan\Reading'],
        ['Plan\Edit'],
        ['Evaluation'],
        ['Edit'],
        ['Format'],
        ['Handing', 'View'],
        ['Command'],
    ];

    /** The application's. */
    public const APP = [
        ['Models'],
        ['Letters', 'Policies', 'Quotas', 'Scanner', 'Work'],
        ['Pictures', 'Sheets'],
        ['Drawings', 'Exports'],
        ['Jobs'],
        ['Http'],
        ['Http\Middleware', 'Http\Requests', 'Http\Resources'],
        ['Http\Controllers'],
        ['Console\Commands', 'Providers'],
    ];

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function rows_of_the_core(): iterable
    {
        yield from self::inRows('Sternbild\Core', self::CORE);
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function rows_of_the_application(): iterable
    {
        yield from self::inRows('App', self::APP);
    }

    #[TestRule]
    public function the_core_names_neither_the_application_nor_the_framework(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Sternbild\Core'))
            ->shouldNot()
            ->dependOn()
            ->classes(
                Selector::inNamespace('Sternbild\Desk'),
                Selector::inNamespace('App'),
                Selector::inNamespace('Illuminate'),
                Selector::classname('PDO'),
            )
            ->because('the core computes, and is tested on its own');
    }

    #[TestRule]
    public function the_desk_names_the_core_alone(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Sternbild\Desk'))
            ->shouldNot()
            ->dependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'), Selector::classname('PDO'))
            ->because('it says what a screen needs to know of kinds, whichever screen that is');
    }

    /**
     * @param  list<list<string>>  $rows
     * @return iterable<string, Rule>
     */
    private static function inRows(string $root, array $rows): iterable
    {
        foreach ($rows as $row => $names) {
            foreach ($names as $name) {
                $others = [...array_diff($names, [$name]), ...array_merge(...array_slice($rows, $row + 1))];
                if ($others === []) {
                    continue;
                }
                yield $name => PHPat::rule()
                    ->classes(self::just("$root\\$name"))
                    ->shouldNot()
                    ->dependOn()
                    ->classes(...array_map(static fn (string $other): SelectorInterface => self::just("$root\\$other"), $others))
                    ->because('what may name what stands in '.self::class);
            }
        }
    }

    /** A namespace without those below it. */
    private static function just(string $namespace): SelectorInterface
    {
        return Selector::inNamespace('/^'.preg_quote($namespace, '/').'$/', true);
    }
}
