import type { Page } from "@playwright/test";

interface AppWindow {
  readonly next?: { readonly router?: { push(path: string): void } };
}

/** Goes to a page as a click on a link would, within the application that is open; by its address where none is. */
export async function go(page: Page, path: string): Promise<void> {
  const from = page.url();
  const isOpen = await page.evaluate((to) => {
    const { next } = window as unknown as AppWindow;
    // The same page again is fetched anew, as whoever comes back to it would.
    if (!next?.router || location.pathname + location.search === to) return false;
    next.router.push(to);
    return true;
  }, path);
  if (isOpen) await page.waitForURL((url) => url.href !== from);
  else await page.goto(path);
}
