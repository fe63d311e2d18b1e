/** Every main page is readable at every width: no page scrolls sideways, and no text is squeezed into a letter a line. */
import { expect, test, type Page } from '@playwright/test';
import { expectNoSideScroll, signIn } from './support.ts';

const CAR_PAGES = [
  '',
  '/jobs',
  '/estimate',
  '/costs',
  '/work',
  '/parts',
  '/snags',
  '/vehicle',
  '/photos',
  '/book',
];
const PAGES = [
  '/',
  '/parts',
  '/outwork',
  '/costs',
  '/plan',
  '/bench',
  '/round',
  '/shop',
  '/shop/mail',
  '/tools',
  '/account',
];

/** Texts of more than a dozen letters that stand in a column of fewer than four. */
const squeezed = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(
      document.querySelector('main') ?? document.body,
      NodeFilter.SHOW_TEXT,
    );
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = node.textContent?.trim() ?? '';
      const parent = node.parentElement;
      if (text.length <= 12 || !parent || parent.closest('svg, [hidden], script, style')) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const { width, height } = range.getBoundingClientRect();
      if (width === 0 || getComputedStyle(parent).position === 'absolute') continue;
      const letter = Number.parseFloat(getComputedStyle(parent).fontSize) * 0.5;
      if (width < letter * 4 && height > letter * 10) found.push(text.slice(0, 60));
    }
    return found;
  });

for (const [width, height] of [
  [320, 640],
  [390, 844],
  [820, 1180],
  [1024, 768],
] as const)
  test(`at ${width} pixels`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await signIn(page);
    const { builds } = (await (await page.request.get('/api/floor')).json()) as {
      builds: { id: string; nickname: string }[];
    };
    const van = builds.find((b) => b.nickname === 'ice-cream van')!.id;
    for (const path of [...PAGES, ...CAR_PAGES.map((p) => `/builds/${van}${p}`)]) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      // What loads behind the heading.
      await page.waitForTimeout(600);
      await expectNoSideScroll(page);
      expect({ path, squeezed: await squeezed(page) }).toEqual({ path, squeezed: [] });
    }
  });
