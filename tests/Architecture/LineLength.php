<?php

namespace Tests\Architecture;

use PhpParser\Node;
use PHPStan\Analyser\Scope;
use PHPStan\Node\FileNode;
use PHPStan\Rules\IdentifierRuleError;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * No line is longer than is read at a glance. What one string or one type makes so long is let be.
 *
 * @implements Rule<FileNode>
 */
final class LineLength implements Rule
{
    private const LONGEST = 140;

    /** Letters of a string from which on it is not counted. */
    private const LONG_STRING = 40;

    public function getNodeType(): string
    {
        return FileNode::class;
    }

    /** @return list<IdentifierRuleError> */
    public function processNode(Node $node, Scope $scope): array
    {
        $errors = [];
        foreach (explode("\n", (string) file_get_contents($scope->getFile())) as $number => $line) {
            if (mb_strlen($line) > self::LONGEST && mb_strlen(self::counted($line)) > self::LONGEST) {
                $errors[] = RuleErrorBuilder::message(
                    'The line has '.mb_strlen($line).' characters; at most '.self::LONGEST.' are read at a glance.',
                )
                    ->identifier('sternbild.lineLength')
                    ->line($number + 1)
                    ->build();
            }
        }

        return $errors;
    }

    /** The line without strings that are long by themselves, and without types in braces. */
    private static function counted(string $line): string
    {
        $strings = '/\'(?:[^\'\\\\]|\\\\.){'.self::LONG_STRING.',}\'|"(?:[^"\\\\]|\\\\.){'.self::LONG_STRING.',}"/u';

        return (string) preg_replace([$strings, '/^( *\/?\*.*?)\{.*\}/u'], ["''", '$1{}'], $line);
    }
}
