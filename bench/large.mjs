// A picture of 24 megapixels dropped on a sheet: milliseconds until it is seen there. In: the address of the server, and the picture.
import { readFile } from 'node:fs/promises';
import { signedIn } from './sign_in.mjs';

const RUNS = 3;
const [address = '', path = ''] = process.argv.slice(2);
const { browser, page } = await signedIn(address);
const bytes = (await readFile(path)).toString('base64');
const times = [];
for (let run = 0; run < RUNS; run++) {
    const token = (await page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN')?.value ?? '';
    const made = await page.request.post(`${address}/api/sheets`, { data: { name: `Large ${run}`, width: 800, height: 800, unit: 'px' }, headers: { Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) } });
    await page.goto(`${address}/sheets/${(await made.json()).id}`);
    const sheet = page.getByRole('application');
    await sheet.waitFor();
    const data = await page.evaluateHandle(([text, number]) => {
        // One byte more behind its end each time: another file, of the same pixels.
        const picture = Uint8Array.from(`${atob(text)}${'\0'.repeat(number)}`, (one) => one.charCodeAt(0));
        const transfer = new DataTransfer();
        transfer.items.add(new File([picture], 'large.jpg', { type: 'image/jpeg' }));
        return transfer;
    }, [bytes, run]);
    const seen = page.waitForResponse((response) => /\/api\/pictures\/[0-9a-f]{64}/.test(response.url()));
    const start = performance.now();
    await sheet.dispatchEvent('drop', { dataTransfer: data });
    await (await seen).finished();
    times.push(performance.now() - start);
}
times.sort((a, b) => a - b);
await browser.close();
console.log(JSON.stringify({ median: times[1], p95: times.at(-1) }));
