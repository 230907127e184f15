import { type AddressInfo, connect, createServer, type Socket } from "node:net";
import { expect, test } from "@playwright/test";

/** A line to the house that can be cut and joined: what a browser believes of its line doesn't reach its service workers. */
async function lineTo(house: URL) {
  const open = new Set<Socket>();
  let isCut = false;
  const server = createServer((socket) => {
    if (isCut) return void socket.destroy();
    const far = connect(Number(house.port), house.hostname);
    for (const end of [socket, far]) {
      open.add(end);
      end.on("close", () => open.delete(end)).on("error", () => end.destroy());
    }
    socket.pipe(far).pipe(socket);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const cut = (): void => {
    isCut = true;
    for (const end of open) end.destroy();
  };
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cut,
    join: () => {
      isCut = false;
    },
    close: () => {
      cut();
      server.close();
    },
  };
}

test("the field book of a book that was looked at opens without a line, says so, and sends what was written once the line is back", async ({
  browser,
  baseURL,
}) => {
  const note = `ropes chafed on the east rail at ${new Date().toISOString()}`;
  const line = await lineTo(new URL(baseURL!));
  const context = await browser.newContext({ baseURL: line.address });
  const page = await context.newPage();
  await page.goto("/books/ferry-office/ledger");
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          const pages = await (await caches.open("dusty-ledger-field-book-pages")).keys();
          return pages.filter(({ url }) => url.includes("/books/ferry-office/field-book")).length;
        }),
      { timeout: 40_000 },
    )
    .toBe(3);
  line.cut();
  const later = await context.newPage();
  await later.goto("/books/ferry-office/field-book");
  await expect(later.getByTestId("kept")).toContainText(/^No line: this is the page as it was on \d/);
  await later.getByRole("button", { name: "Note", exact: true }).click();
  await later.getByLabel("Day", { exact: true }).fill("2025-06-04");
  await later.getByLabel("Note").fill(note);
  await later.getByRole("button", { name: "Write it down" }).click();
  await expect(later.getByRole("region", { name: "Entries that wait" })).toContainText(note);
  // Another view, by its tab, and a chapter that is not kept.
  await later.getByRole("link", { name: "At the wall" }).click();
  await later.waitForURL(/view=wall/);
  await later.waitForLoadState("load");
  await expect(later.getByTestId("kept")).toBeVisible();
  const another = await context.newPage();
  await expect(another.goto("/books/ferry-office/money")).rejects.toThrow();
  await another.close();
  line.join();
  await later.goto("/books/ferry-office/field-book");
  await expect(later.getByTestId("kept")).toHaveCount(0);
  const entry = later.getByRole("listitem").filter({ hasText: note });
  await expect(entry.filter({ has: later.getByRole("button", { name: /Remove/ }) })).toHaveCount(1, { timeout: 30_000 });
  await entry.getByRole("button", { name: /Remove/ }).click();
  await expect(entry).toHaveCount(0);
  await context.close();
  line.close();
});
