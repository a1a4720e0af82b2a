import { expect, type Locator, type Page } from '@playwright/test';

/** How a person works the page: with a mouse, or with nothing but keys. */
export interface Hands {
  press(target: Locator): Promise<void>;
  fill(target: Locator, text: string): Promise<void>;
  choose(target: Locator, option: string): Promise<void>;
}

/** @param way a phone is tapped */
export function mouse(way: 'click' | 'tap' = 'click'): Hands {
  return {
    press: (target) => target[way](),
    async fill(target, text) {
      await target.fill(text);
      await target.blur();
    },
    async choose(target, option) {
      await take(target, option);
    },
  };
}

/** Opens a choice and takes what says these words. */
export async function take(choice: Locator, option: string): Promise<void> {
  await choice.click();
  await choice.page().getByRole('option', { name: option, exact: true }).first().click();
}

/** Tab until it has the focus, then keys only. The pointer is never used. */
export function keysOnly(page: Page): Hands {
  return {
    async press(target) {
      await ((await target.getAttribute('role')) === 'option' ? arrowTo(page, target) : tabTo(page, target));
      await page.keyboard.press('Enter');
    },
    async fill(target, text) {
      await tabTo(page, target);
      await page.keyboard.press('ControlOrMeta+a');
      await page.keyboard.type(text);
      await expect(target).toHaveValue(text);
    },
    async choose(target, option) {
      await tabTo(page, target);
      await page.keyboard.press('Enter');
      // An open list goes to the choice that begins so.
      await expect(page.getByRole('option', { name: option, exact: true })).toBeVisible();
      // Letters count once the list, or the box that leads it, listens.
      await expect
        .poll(() =>
          page.evaluate(() => {
            const at = document.activeElement;
            return (
              at !== null &&
              (at.closest('[role=listbox]') !== null || at.hasAttribute('aria-activedescendant'))
            );
          }),
        )
        .toBe(true);
      // Its first word: a space takes what stands there.
      await page.keyboard.type(option.split(' ')[0]!);
      // It waits for the last letter, as for a person who types slowly.
      await page.waitForTimeout(400);
      await page.keyboard.press('Enter');
      await expect(target).toContainText(option);
    },
  };
}

const MOST_TABS = 200;

/** Into the list by Tab, where one of it takes the focus, then along it. */
async function arrowTo(page: Page, target: Locator): Promise<void> {
  const list = target.locator('xpath=ancestor::*[@role="listbox"]');
  const isIn = (el: Locator) => el.evaluate((node) => node.contains(document.activeElement));
  for (let i = 0; i < MOST_TABS && !(await isIn(list)); i++) {
    await page.keyboard.press('Tab');
  }
  // From the one that is chosen, which may stand below.
  for (const arrow of ['ArrowDown', 'ArrowUp']) {
    const most = await list.getByRole('option').count();
    for (let i = 0; i < most && !(await isIn(target)); i++) {
      await page.keyboard.press(arrow);
    }
  }
  expect(await isIn(target), 'reached by keys').toBe(true);
}

async function tabTo(page: Page, target: Locator): Promise<void> {
  // What waits for other work to end takes no focus yet.
  await expect(target).toBeEnabled();
  const focused = () => target.evaluate((el) => el === document.activeElement);
  for (let i = 0; i < MOST_TABS; i++) {
    if (await focused()) {
      return;
    }
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab never reached ${String(target)}`);
}
