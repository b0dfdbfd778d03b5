<?php

declare(strict_types=1);

namespace Sternbild\Core\Tests;

use PhpParser\Node;
use PhpParser\Node\Name\FullyQualified;
use PhpParser\Node\Stmt\Namespace_;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;

/** Which namespaces name which, by full name: names that are relative to their own count as well. */
final class Namespaces
{
    /** @return array<string, array<string, string>> for each namespace those of the same root that it names, with one class that does so */
    public static function uses(string $folder, string $root): array
    {
        $parser = (new ParserFactory)->createForHostVersion();
        $uses = [];
        foreach (self::files($folder) as $file) {
            $names = new class extends NodeVisitorAbstract
            {
                public string $own = '';

                /** @var array<string, true> */
                public array $named = [];

                public function enterNode(Node $node): null
                {
                    if ($node instanceof Namespace_) {
                        $this->own = (string) $node->name;
                    } elseif ($node instanceof FullyQualified) {
                        $this->named[$node->toString()] = true;
                    }

                    return null;
                }
            };
            $walk = new NodeTraverser(new NameResolver, $names);
            $walk->traverse($parser->parse((string) file_get_contents($file)) ?? []);
            $uses[$names->own] ??= [];
            foreach (array_keys($names->named) as $name) {
                $to = implode('\\', array_slice(explode('\\', $name), 0, -1));
                if (str_starts_with("$name\\", "$root\\") && $to !== $names->own) {
                    $uses[$names->own][$to] ??= basename($file, '.php')." names $name";
                }
            }
        }

        return $uses;
    }

    /**
     * @param  array<string, array<string, string>>  $uses
     * @return array<string, array<string, string>> those that are left when whatever names nothing that is left was taken away: the circles
     */
    public static function circles(array $uses): array
    {
        do {
            $before = count($uses);
            $uses = array_map(static fn (array $named): array => array_intersect_key($named, $uses), $uses);
            $uses = array_filter($uses, static fn (array $named): bool => $named !== []);
        } while (count($uses) < $before);

        return $uses;
    }

    /** @return list<string> */
    private static function files(string $folder): array
    {
        $files = array_keys(
            iterator_to_array(new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder)), '/\.php$/')),
        );
        sort($files);

        return array_map(strval(...), $files);
    }
}
