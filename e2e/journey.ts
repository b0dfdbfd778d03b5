import { test as base } from '@playwright/test';
import { signedIn } from './signIn';

export { expect } from '@playwright/test';

/** Each worker has a sample designer of its own, so that what one leaves about is not in another's way. */
export const test = base.extend({
    storageState: async ({}, use, info) => use(signedIn(info.parallelIndex)),
});
