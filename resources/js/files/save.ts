import { Problem } from '../api/client';

/**
 * Saves a file of the server, under the name that it gives.
 *
 * @throws Problem
 */
export async function save(path: string, fallback: string): Promise<void> {
    const response = await fetch(path, { headers: { Accept: 'application/json' } }).catch(() => null);
    if (response === null) throw new Problem(0, {});
    if (!response.ok)
        throw new Problem(
            response.status,
            response.headers.get('Content-Type')?.includes('json') ? ((await response.json()) as Problem['body']) : {},
        );
    const link = document.createElement('a');
    link.href = URL.createObjectURL(await response.blob());
    link.download = /filename="?([^";]+)"?/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? fallback;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
