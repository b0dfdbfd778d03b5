<?php

namespace App\Sheets;

use Sternbild\Core\Format\PlanJson;
use Sternbild\Core\Format\SvgDrawing;
use Sternbild\Core\Plan\Reading\PlanReader;
use Sternbild\Core\Plan\Unusable;

/** Finished sheets to take apart: those of Velmora Tramways. */
final readonly class Examples
{
    public function __construct(private Planning $planning)
    {
    }

    /**
     * @return list<array{name: string, picture: string, steps: int, plan: string}> the plan as text, as it is brought in
     *
     * @throws Unusable
     */
    public function list(): array
    {
        $list = [];
        foreach (glob(resource_path('demo/*.json')) ?: [] as $file) {
            $sample = PlanReader::decode((string) file_get_contents($file));
            $plan = is_array($sample['plan'] ?? null) ? $sample['plan'] : [];
            $scene = $this->planning->scene($plan);
            $list[] = [
                'name' => is_string($sample['name'] ?? null) ? $sample['name'] : '',
                'picture' => SvgDrawing::write($scene),
                'steps' => count($scene->plan->steps),
                'plan' => PlanJson::compact($plan),
            ];
        }

        return $list;
    }
}
