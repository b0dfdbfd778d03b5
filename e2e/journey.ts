import { test as base } from '@playwright/test';
import { actionsOn, countActions } from './counting';
import { signedIn } from './signIn';

export { expect } from '@playwright/test';

/**
 * Each worker has a sample designer of its own, so that what one leaves about is not in another's way. What the hand does is counted, and
 * told with the result.
 */
export const test = base.extend<{ counted: undefined }>({
    storageState: async ({}, use, info) => use(signedIn(info.parallelIndex)),
    counted: [
        async ({ page }, use, info) => {
            await countActions(page);
            await use(undefined);
            info.annotations.push({ type: 'actions', description: String(await actionsOn(page)) });
        },
        { auto: true },
    ],
});
