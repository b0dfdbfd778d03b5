import { describe, expect, it } from 'vitest';
import { isUnfinished, readNumber, readNumbers, withPoints, writesComma } from '../editor/model/fields/number';

describe('a number that is typed', () => {
    it.each([
        ['12.5', 12.5],
        ['0.25', 0.25],
        ['.25', 0.25],
        ['-3', -3],
        ['1e3', 1000],
        ['20%', '20%'],
        ['2*3', '2*3'],
        [' 45° ', 45],
        ['disc 1.wide', 'disc 1.wide'],
        ['', null],
        ['  ', null],
    ])('as %s is read so in every language', (text, value) => {
        for (const language of ['en', 'en-GB', 'de', 'fr']) expect(readNumber(text, language), language).toBe(value);
    });

    it.each([
        ['1,5', 1.5],
        [',5', ',5'],
        ['-0,25', -0.25],
        ['2,5*3', '2.5*3'],
        ['(1,5+2)*2', '(1.5+2)*2'],
        ['max(1,5)', 'max(1,5)'],
        ['max(1, 5)', 'max(1, 5)'],
        ['12,', '12,'],
    ])('as %s is read with a comma where people write so', (text, value) => {
        expect(readNumber(text, 'de')).toBe(value);
    });

    it('with a comma is no number where people write a point', () => {
        expect(readNumber('1,5', 'en')).toBe('1,5');
        expect([writesComma('en'), writesComma('de'), writesComma('fr'), writesComma('ja')]).toEqual([false, true, true, false]);
    });

    it('keeps the commas between what functions take, however deep', () => {
        expect(withPoints('min(max(1,2),(3,5))')).toBe('min(max(1,2),(3.5))');
    });

    it('among others is told from them by blanks, and by commas where those are no points', () => {
        expect(readNumbers('4 2', 'en')).toEqual([4, 2]);
        expect(readNumbers('4,2', 'en')).toEqual([4, 2]);
        expect(readNumbers('4,2 1', 'de')).toEqual([4.2, 1]);
        expect(readNumbers('4, 2;1', 'de')).toEqual([4, 2, 1]);
        expect(readNumbers('', 'en')).toEqual([]);
    });

    it('is unfinished as long as its arithmetic goes on', () => {
        for (const text of ['4*', '360/', '(2+3', 'bar -', 'max(4,', '1,']) expect(isUnfinished(text), text).toBe(true);
        for (const value of ['4*2', '-3', '(2+3)', 'bar', '20%', 4, null, '']) expect(isUnfinished(value), String(value)).toBe(false);
        expect(isUnfinished([4, '2*'])).toBe(true);
    });
});
