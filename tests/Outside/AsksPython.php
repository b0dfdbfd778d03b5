<?php

namespace Tests\Outside;

/** Questions to reference libraries of Debian's Python, by a script beside the test. */
trait AsksPython
{
    /** @return array<array-key, mixed> what the script prints */
    private function python(string $script, mixed $question): array
    {
        $file = tempnam(sys_get_temp_dir(), 'ask');
        self::assertNotFalse($file);
        file_put_contents($file, json_encode($question, JSON_THROW_ON_ERROR));
        try {
            $process = proc_open(
                ['/usr/bin/python3', __DIR__."/$script"],
                [['file', $file, 'r'], ['pipe', 'w'], STDERR],
                $pipes,
                dirname(__DIR__, 2),
            );
            self::assertNotFalse($process);
            $answer = json_decode((string) stream_get_contents($pipes[1]), true, 32, JSON_THROW_ON_ERROR);
            self::assertSame(0, proc_close($process));
            self::assertIsArray($answer);

            return $answer;
        } finally {
            unlink($file);
        }
    }
}
