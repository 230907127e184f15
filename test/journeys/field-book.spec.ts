import { expect, type Page, test } from "@playwright/test";

/** A photo as a phone makes it: pixels of the page's own drawing. */
async function photoOf(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    canvas.width = 2400;
    canvas.height = 1600;
    const draw = canvas.getContext("2d")!;
    for (let k = 0; k < 60; k++) {
      draw.fillStyle = `hsl(${k * 6}, 60%, 50%)`;
      draw.fillRect(k * 40, 0, 40, 1600);
    }
    return canvas.toDataURL("image/jpeg", 0.95);
  });
  return Buffer.from(url.split(",")[1]!, "base64");
}

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test("a cleaning with a photo, a spot check and an inverter reading, one after the other", async ({ page }) => {
    await page.goto("/books/packing-shed/field-book");
    await page.getByRole("button", { name: "Cleaning", exact: true }).click();
    await page.getByLabel("Day", { exact: true }).fill("2025-11-20");
    await page.getByLabel("Cost, EUR").fill("85");
    await page.getByLabel("Note").fill("lower rows washed before the rain");
    await page.getByLabel("Add a photo").setInputFiles({ name: "roof.jpg", mimeType: "image/jpeg", buffer: await photoOf(page) });
    await expect(page.getByAltText("What will be written down with the entry")).toBeVisible();
    await expect(page.getByTestId("effect")).toContainText("Dirt begins anew on 2025-11-20");
    await page.getByRole("button", { name: "Write it down" }).click();
    await expect(page.getByText("Cleaning of 2025-11-20 is written down.")).toBeVisible();
    const row = page.getByRole("listitem").filter({ hasText: "lower rows washed" });
    await expect(row).toContainText("85 EUR");
    const photo = row.getByRole("img");
    await expect(photo).toBeVisible();
    expect((await page.request.get((await photo.getAttribute("src"))!)).headers()["content-type"]).toBe("image/jpeg");

    await page.getByRole("link", { name: "Spot check" }).click();
    const position = page.getByRole("group", { name: "module 1" });
    for (const [label, value] of [
      ["Light, W/m²", "165"],
      ["Back, °C", "22"],
      ["Isc, A", "0.8"],
    ] as const)
      await position.getByLabel(label).fill(value);
    await expect(page.getByTestId("spot-verdict")).toContainText(
      /0\.80 A read, 1\.7\d ± 0\.1\d expected: short-circuit current is under half of what this light gives; check shade on a cell/,
    );
    await page.getByRole("button", { name: "Write to the field book" }).click();
    await expect(page.getByText("Written to the field book.")).toBeVisible();

    await page.getByRole("link", { name: "At the wall" }).click();
    await page.getByText("DC inputs, AC volts and amperes, light …").click();
    const input = page.getByRole("group", { name: "DC input 1" });
    await input.getByLabel("Input 1, V").fill("560");
    await input.getByLabel("A", { exact: true }).fill("18");
    await page.getByLabel("AC power, W").fill("9700");
    await expect(page.getByTestId("wall-verdict")).toContainText("W go in, 9\u202f700 W come out");
    await page.getByRole("button", { name: "Write to the field book" }).click();
    await expect(page.getByText("Written to the field book.")).toBeVisible();

    await page.getByRole("link", { name: "Entries" }).click();
    await expect(page.getByRole("listitem").filter({ hasText: "under half of what this light gives" })).toBeVisible();
    await expect(page.getByRole("listitem").filter({ hasText: /Inverter reading/ })).toBeVisible();
    for (const words of ["lower rows washed", "under half of what", "hall"]) {
      const own = page
        .getByRole("listitem")
        .filter({ hasText: words })
        .filter({ has: page.getByRole("button", { name: /Remove/ }) });
      await own.getByRole("button", { name: /Remove/ }).click();
      await expect(own).toHaveCount(0);
    }
  });

  test("an entry written without a line waits, and is sent once when it is back", async ({ page, context }) => {
    await page.goto("/books/ferry-office/field-book");
    await page.getByRole("button", { name: "Note", exact: true }).click();
    await page.getByLabel("Day", { exact: true }).fill("2025-06-03");
    await page.getByLabel("Note").fill("gulls on the quay side");
    await context.setOffline(true);
    await page.getByRole("button", { name: "Write it down" }).click();
    await expect(page.getByRole("region", { name: "Entries that wait" })).toContainText("gulls on the quay side");
    await context.setOffline(false);
    const entry = page.getByRole("listitem").filter({ hasText: "gulls on the quay side" });
    await expect(entry.filter({ has: page.getByRole("button", { name: /Remove/ }) })).toHaveCount(1, { timeout: 30_000 });
    await expect(page.getByRole("region", { name: "Entries that wait" })).toHaveCount(0);
    await entry.getByRole("button", { name: /Remove/ }).click();
    await expect(entry).toHaveCount(0);
  });

  test("what is no photo, or far too large, is said to be so and loses nothing", async ({ page }) => {
    await page.goto("/books/packing-shed/field-book");
    await page.getByLabel("Note").fill("typed before the photo");
    const drawing = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
    await page.getByLabel("Add a photo").setInputFiles({ name: "roof.svg", mimeType: "image/svg+xml", buffer: drawing });
    await expect(page.getByText(/“roof.svg” is image\/svg\+xml: a photo is JPEG, PNG or WebP/)).toBeVisible();
    await page.getByLabel("Add a photo").setInputFiles({ name: "roof.jpg", mimeType: "image/jpeg", buffer: drawing });
    await expect(page.getByText(/can't be opened as a picture/)).toBeVisible();
    await page
      .getByLabel("Add a photo")
      .setInputFiles({ name: "huge.jpg", mimeType: "image/jpeg", buffer: Buffer.alloc(41 * 1024 * 1024, 255) });
    await expect(page.getByText(/“huge.jpg” has 41 MB; photos up to 40 MB/)).toBeVisible();
    await page.getByLabel("Day", { exact: true }).fill("2018-01-01");
    await expect(page.getByText(/2018-01-01 lies before this plant was commissioned \(2019-04-01\)/)).toBeVisible();
    await expect(page.getByRole("button", { name: "Write it down" })).toBeDisabled();
    await page.reload();
    await expect(page.getByLabel("Note")).toHaveValue("typed before the photo");
  });
});

test("the school's trial tells the truth, the hurried figure, and why they part", async ({ page }) => {
  await page.goto("/books/hill-school/field-book?view=trials");
  await expect(page.getByTestId("trial-verdict")).toContainText(/Classroom roof \+[34]\.\d\s% a kilowatt-peak/, { timeout: 30_000 });
  await expect(page.getByText(/is read before its inverter/)).toBeVisible();
  await expect(page.getByText(/Foreign energy ran through Gym roof's meter on 2\d days/)).toBeVisible();
  await page.getByLabel("The thing that is tried").selectOption("per-module");
  await expect(page.getByRole("listitem").filter({ hasText: "the mounting, and with it the heat" })).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: "the inverter's rating and efficiency" })).toHaveCount(0);
  await page
    .getByRole("row", { name: /paired/ })
    .getByRole("button")
    .click();
  await expect(page.getByTestId("working")).toContainText("DC to AC");
});

test("a turned rack goes into the model with its entry, and out with it", async ({ page }) => {
  await page.goto("/books/bore-field/field-book");
  await page.getByRole("button", { name: "Tilt change" }).click();
  await page.getByLabel("Day", { exact: true }).fill("2025-10-20");
  await page.getByLabel("New tilt from horizontal, °").fill("95");
  await expect(page.getByTestId("effect")).toContainText("from 0 to 90");
  await page.getByLabel("New tilt from horizontal, °").fill("35");
  await expect(page.getByTestId("effect")).toContainText("From 2025-10-20 the model has rack: tiltDeg 35 until 2026-04-05");
  await page.getByRole("button", { name: "Write it down" }).click();
  const entry = page.getByRole("listitem").filter({ hasText: "in the model from 2025-10-20" });
  await expect(entry).toBeVisible();
  await page.goto("/books/bore-field/site?view=history");
  await expect(page.getByText("field book: tilt changed").first()).toBeVisible();
  await page.goto("/books/bore-field/field-book");
  await entry.getByRole("button", { name: /Remove/ }).click();
  await expect(entry).toHaveCount(0);
  await page.goto("/books/bore-field/site?view=history");
  await expect(page.getByText("field book: tilt changed")).toHaveCount(0);
});

test("benches by keyboard: a dimmed module costs the string, a thin cable the year", async ({ page }) => {
  await page.goto("/books/packing-shed/bench?view=mixed");
  const sentence = page.getByTestId("mixed-sentence");
  await expect(sentence).toContainText("is lost to each other", { timeout: 30_000 });
  const before = (await sentence.textContent()) ?? "";
  await page.getByRole("slider", { name: "Share of the light that reaches them" }).nth(1).focus();
  for (let k = 0; k < 12; k++) await page.keyboard.press("ArrowLeft");
  await expect(sentence).not.toHaveText(before);
  await page.goto("/books/packing-shed/bench?view=cable");
  await expect(page.getByTestId("cable-sentence")).toContainText("15 in series keep within the inverter's limits");
  await page.getByLabel("Length, one way, m").fill("120");
  await expect(page.getByTestId("cable-sentence")).toContainText("120 m");
  await page.goto("/books/alpine-hut/bench?view=snow");
  await expect(page.getByTestId("snow-sentence")).toContainText(/of \d+ storms would have repaid/, { timeout: 30_000 });
  await page.goto("/books/bore-field/bench?view=loads");
  await page.getByLabel("Power, W").first().fill("1.2");
  await expect(page.getByTestId("loads-sentence")).toContainText("looks like kW");
});

test("an own date is written, comes into the calendar, and is taken out when it is done", async ({ page }) => {
  await page.goto("/books/bore-field/field-book?view=reminders");
  await page.getByLabel("What", { exact: true }).fill("Look at the pump's seals");
  await page.getByLabel("On", { exact: true }).fill("2025-02-03");
  await page.getByLabel("Again").selectOption("every 2 years");
  await page.getByRole("button", { name: "Write the date" }).click();
  // Written for every second year from a past day on, it is due on the next such day.
  await expect(page.getByRole("row", { name: /own date Look at the pump's seals/ })).toContainText("2027-02-03");
  const calendar = await (await page.request.get("/api/books/bore-field/reminders")).text();
  expect(calendar).toContain("Look at the pump's seals");
  await page.getByRole("button", { name: "Take out: Look at the pump's seals" }).click();
  await expect(page.getByText("Look at the pump's seals")).toHaveCount(0);
});
