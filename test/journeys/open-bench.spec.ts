import { expect, type Page, test } from "@playwright/test";

/** Lays a roof on the bench that belongs to no book. */
async function layOut(page: Page, view: string, { place, line, sun }: { place: string; line: string; sun?: string }): Promise<void> {
  await page.goto(`/bench?view=${view}`);
  await page.getByRole("button", { name: "Say what you have" }).click();
  await page.getByRole("combobox", { name: "Town, or coordinates" }).fill(place);
  await expect(page.getByText(/clock of/)).toBeVisible();
  await page.getByLabel("The roof in one line").fill(line);
  await page.getByLabel("A kWh is worth, EUR").fill("0.28");
  if (sun) await page.getByLabel("Sun to reckon with").selectOption({ label: sun });
}

const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((pasted) => {
    const data = new DataTransfer();
    data.setData("text/plain", pasted);
    document.activeElement!.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);

test("without a book: what a tree and a wrong direction cost, on a climate's sun, with nothing stored", async ({ page }) => {
  const sent: string[] = [];
  page.on("request", (request) => request.method() !== "GET" && sent.push(`${request.method()} ${request.url()}`));
  await layOut(page, "costs", { place: "-33.9, 18.4", line: "14 × 395 W, 25° west, 5 kW inverter", sun: "Dry summer, mild wet winter" });
  const sentence = page.getByTestId("costs-sentence");
  await expect(sentence).toContainText(/In a usual year: Most is lost by where it looks: [\d\u202f]+ kWh a year/, { timeout: 40_000 });
  await page.getByLabel("High, m").fill("12");
  await page.getByLabel("Away, m").fill("6");
  await page.getByRole("textbox", { name: "Toward, °" }).fill("NW");
  const tree = page.getByRole("row", { name: /^Tree or wall/ });
  await expect(tree).toContainText(/\d\.\d\s%/, { timeout: 40_000 });
  await tree.getByRole("button", { name: /^\d/ }).last().click();
  await expect(page.getByTestId("working")).toContainText("right within some 15 %");
  expect(sent).toEqual([]);
  // It is still there the next time.
  await page.goto("/bench?view=cable");
  await expect(page.getByText(/14 modules of 395 W/)).toBeVisible();
});

test("unlike modules of one's own, typed as their plates say: the way to connect them that costs nothing comes first", async ({ page }) => {
  await layOut(page, "mixed", { place: "52.1, 5.2", line: "4 × 200 W flat, charge controller", sun: "Sea wind: mild and often cloudy" });
  for (const line of [
    "Big: 200 W, 22.6 Voc, 11.4 Isc, 18.9 Vmp, 10.6 Imp, 36 cells",
    "Small: 100 W, Voc 22.4, Isc 5.9, Vmp 18.6, Imp 5.38",
  ]) {
    await page.getByLabel("A module of your own, as its nameplate says").fill(line);
    await page.getByRole("button", { name: "Keep it" }).click();
  }
  await expect(page.getByText(/Small: 100 W.*cells 36 \(estimated/)).toBeVisible();
  await page.getByLabel("Module", { exact: true }).first().selectOption("Big");
  await page.getByLabel("How many").first().fill("2");
  await page.getByLabel("Module", { exact: true }).nth(1).selectOption("Small");
  await page.getByLabel("How many").nth(1).fill("2");
  const sentence = page.getByTestId("mixed-sentence");
  await expect(sentence).toContainText("Connected each kind a string, side by side, the same modules give 6", { timeout: 30_000 });
  await expect(sentence).toContainText("nothing that is bought brings more than it costs");
  await page.getByLabel("Connect them").selectOption({ label: "each kind a string, side by side" });
  await expect(sentence).toContainText(/^6\d\d W on one input/);
});

test("a long cable in gauge and volts, storms from memory, and a bus whose roof was tilted", async ({ page }) => {
  await layOut(page, "cable", { place: "40.2, -3.5", line: "6 × 400 W of 2 m², 30° south, charge controller" });
  await page.getByLabel("What it carries").selectOption({ label: "the whole array together" });
  await page.getByLabel("Your section, mm²").fill("6 AWG");
  const cable = page.getByTestId("cable-sentence");
  for (const [volts, says] of [
    ["12", "can’t carry this power"],
    ["24", /Your 13\.3 mm² over 30\sm: \d\d\.\d\d\s% drop/],
    ["48", /Your 13\.3 mm² over 30\sm: \d\.\d\d\s% drop/],
  ] as const) {
    await page.getByLabel("Your voltage, V").fill(volts);
    await expect(cable).toContainText(says);
  }
  await page.goto("/bench?view=snow");
  await expect(page.getByTestId("snow-sentence")).toContainText("type the storms that you remember", { timeout: 20_000 });
  await page.getByRole("button", { name: "Type a storm" }).click();
  await page.getByLabel("Fell on").fill("12 Feb");
  await page.getByLabel("Air after, °C").fill("-15");
  await expect(page.getByTestId("snow-sentence")).toContainText("12 February", { timeout: 20_000 });
  await page.goto("/bench?view=tilt");
  await expect(page.getByTestId("planner-sentence")).toContainText("brings", { timeout: 40_000 });
  const [flat, tilted] = [page.getByRole("group", { name: "one way" }), page.getByRole("group", { name: "the other way" })];
  for (const [group, clock, tilt, read] of [
    [flat, "2026-09-20T08:30", "0", "180"],
    [tilted, "2026-09-20T08:35", "40", "900"],
  ] as const) {
    await group.getByLabel("Clock on the site").fill(clock);
    await group.getByRole("textbox", { name: "Azimuth, °" }).fill("95");
    await group.getByRole("textbox", { name: /^Tilt/ }).fill(tilt);
    await group.getByLabel("Read, W").fill(read);
  }
  await expect(page.getByTestId("two-readings")).toContainText(/You read \+400\s%, where \+\d+\s% should come/);
});

test("two sides by months alone: how sure, what can't be told apart, and of which months nothing is known", async ({ page }) => {
  await page.goto("/bench?view=sides");
  const sizes = page.getByLabel("Size, kWp");
  await sizes.first().fill("3.2");
  await sizes.nth(1).fill("3.0");
  await page.getByRole("textbox", { name: "span, row 1", exact: true }).focus();
  await paste(page, "2025-04\t360\t362\n2025-05\t410\t415\n2025-06\t430\t431\n2025-07\t445\t452\n2025-08\t\t402");
  const sentence = page.getByTestId("sides-sentence");
  await expect(sentence).toContainText(/^\+7\.\d\s% is what the second side gave against the first side a kilowatt-peak \(\+\d/);
  await expect(sentence).toContainText("nothing is known of January to March, August to December");
  await page.getByLabel("the module", { exact: true }).check();
  await page.getByLabel("the tilt", { exact: true }).check();
  await expect(page.getByTestId("sides-apart")).toContainText("can't tell them apart: the module; the tilt");
  await page.getByText("before and after a change", { exact: true }).click();
  await page.getByRole("textbox", { name: "before_kwh, row 5", exact: true }).fill("400");
  await page.getByRole("textbox", { name: "after_kwh, row 5", exact: true }).fill("440");
  await page.keyboard.press("Tab");
  await expect(page.getByTestId("change-sentence")).toContainText("nothing can be told of what was done");
});

test("the roof's line is typed letter by letter, with the keys alone, and nothing takes the place of the pen", async ({ page }) => {
  await page.goto("/bench?view=tilt");
  await page.getByRole("button", { name: "Say what you have" }).click();
  await page.getByRole("combobox", { name: "Town, or coordinates" }).press("Control+a");
  await page.keyboard.type("52.1, 5.2", { delay: 15 });
  await expect(page.getByText(/clock of/)).toBeVisible();
  const line = page.getByLabel("The roof in one line");
  await line.fill("");
  await line.pressSequentially("9 × 410 W, 35° east, 3.6 kW inverter", { delay: 15 });
  await expect(line).toBeFocused();
  await expect(line).toHaveValue("9 × 410 W, 35° east, 3.6 kW inverter");
  await page.keyboard.press("Tab");
  await expect(page.getByText(/9 modules of 410 W/)).toBeVisible();
  await expect(page.getByTestId("planner-sentence")).toContainText("brings", { timeout: 40_000 });
});
