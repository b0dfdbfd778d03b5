<?php

declare(strict_types=1);

namespace Sternbild\Core\View;

use Sternbild\Core\Evaluation\Evaluator;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Kind\Kinds;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;
use Sternbild\Core\Result\ShortMemory;

/** Ready constructions to begin with: plans that can be laid on any sheet, because all their measures come from it. */
final readonly class Constructions
{
    private const FOLDER = __DIR__.'/../../resources/constructions';

    public function __construct(private Kinds $kinds)
    {
    }

    /**
     * @return list<array{name: string, says: string, picture: string, steps: list<mixed>, palette: object}>
     *
     * @throws Unusable
     */
    public function list(): array
    {
        $reader = new PlanReader($this->kinds);
        $evaluator = new Evaluator(new ShortMemory);
        $list = [];
        foreach (glob(self::FOLDER.'/*.json') ?: [] as $file) {
            $given = PlanReader::decode((string) file_get_contents($file));
            $plan = [...(is_array($given['plan'] ?? null) ? $given['plan'] : [])];
            $list[] = [
                'name' => is_string($given['name'] ?? null) ? $given['name'] : '',
                'says' => is_string($given['says'] ?? null) ? $given['says'] : '',
                'picture' => SvgDrawing::writeWithGrids($evaluator->evaluate($reader->fromArray($plan))),
                'steps' => is_array($plan['steps'] ?? null) ? array_values($plan['steps']) : [],
                'palette' => (object) (is_array($plan['palette'] ?? null) ? $plan['palette'] : []),
            ];
        }

        return $list;
    }
}
