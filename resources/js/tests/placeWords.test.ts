import './browser';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { placeWords } from '../editor/model/fields/placeWords';
import { Answers } from '../editor/model/scene/answers';
import { asked, EVALUATED, plan } from './core';

describe('places in words', () => {
    it('never read as a plan writes them', () => {
        const steps = [
            { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 20, rows: 20, cell: [40, 40] },
            { id: 'g2', kind: 'grid.polar', center: [400, 400], radius: 300, rings: 4, sectors: 10 },
            { id: 'c1', kind: 'guide.circle', center: [300, 300], radius: 50 },
            { id: 'p1', kind: 'part.rectangle', corners: [[130, 130], [262, 231]] },
            { id: 'r1', kind: 'repeat.around', of: ['p1'], center: 'g2@0', count: 5 },
        ];
        const scene = new Answers().scene(
            asked<Schemas['Scene']>(
                `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`,
                { plan: plan(steps) },
            ),
            'page',
        );
        const said: [unknown, string][] = [
            ['g1@15,15', 'column 15, row 15 of grid 1'],
            ['g2@0', 'the centre of grid 2'],
            ['g2@2,3', 'ring 2, spoke 3 of grid 2'],
            ['g1#2,3!', 'the middle of column 2, row 3 of grid 1'],
            ['c1!', 'the centre of circle 1'],
            ['c1@0.25', 'a place along circle 1'],
            ['c1*g1/3', 'a crossing of circle 1 and grid 1'],
            ['r1!', 'the centre of repeat 1'],
            ['r1[3]!', 'the centre of copy 3 of repeat 1'],
            ['p1@130,130', 'a corner of rectangle 1'],
            ['g1~2,3.5', 'a place on grid 1'],
            [['sheet.width/2', 'sheet.height/2'], 'the centre of the sheet'],
            [[1.239, 2], '1.24, 2'],
            [['sheet.width/2', 0], '400, 0'],
            [['sheet.width*0.75', 'sheet.height*7/10'], '600, 560'],
            [['p1.wide', 3], 'rectangle 1.wide, 3'],
        ];
        for (const [raw, words] of said) expect(placeWords(scene, raw)).toBe(words);
    });
});
