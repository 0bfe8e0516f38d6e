import { test } from '@playwright/test';
import { expectPagesAccessible, signIn } from './world.js';

// Every page of what one arranges, each as somebody who may.
const PAGES = {
    'set up': ['corin', ['/set-up', '/set-up?find=signature', '/set-up?find=zeppelin']],
    'what conversations are sorted by': ['mads', ['/sorting/categories', '/sorting/categories/2', '/sorting/outcomes', '/sorting/tags', '/sorting/fields', '/sorting/checklists']],
    templates: ['mads', ['/templates', '/templates/1', '/templates/1/versions', '/templates/exchange', '/nudges']],
    'hours, promises and who gets what': ['mads', ['/hours', '/hours/1', '/promises', '/promises/1', '/promises/1/record', '/promises/1/versions', '/sorting/teams', '/routing', '/team']],
    'what may come back, and who agrees': ['corin', ['/return-policies', '/return-policies/1', '/approval-limits']],
    people: ['corin', ['/people', '/people/2', '/store']],
    rules: ['mads', ['/rules', '/rules/2', '/rules/2/try', '/rules/2/runs', '/rules/2/versions', '/rules/9', '/rules/new']],
    'ways in': ['corin', ['/accounts', '/accounts/1', '/accounts/new', '/accounts/new?channel=web_form', '/unreadable-mail', '/troubles', '/arrival', '/history']],
};

for (const [place, [who, addresses]] of Object.entries(PAGES)) {
    test(`accessible in light and dark: ${place}`, async ({ page }) => {
        await signIn(page, who);
        await expectPagesAccessible(page, addresses);
    });
}
