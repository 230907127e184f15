import { expect, type Page, test } from "@playwright/test";
import { openBook } from "../open-book";

const newBook = (page: Page): Promise<string> => openBook(page);
const stored = async (page: Page, slug: string) =>
  (await (await page.request.get(`/api/books/${slug}`)).json()) as {
    version: number;
    site: {
      name: string;
      place: { timeZone: string; elevationM: number };
      arrays: { id: string; tiltDeg: number; azimuthDeg: number; count: number; tiltSchedule: { from: string; tiltDeg: number }[] }[];
      obstacles: { name: string; eastM: number; northM: number; heightM: number }[];
    };
  };
const save = async (page: Page) => {
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText(/^Saved/)).toBeVisible();
};

test("a newcomer enters the pump station from a paper sheet, and sees its sun path", async ({ page }) => {
  const slug = await newBook(page);
  await page.getByLabel("Name", { exact: true }).first().fill("Pump by the creek");
  await page.getByLabel("Latitude, ° (north +)").fill("-33.4");
  await page.getByLabel("Longitude, ° (east +)").fill("147.2");
  // The zone is found from the coordinates.
  await expect(page.getByRole("combobox", { name: "Time zone" })).toHaveValue("Australia/Sydney");
  await page.getByRole("button", { name: "Add a type …" }).click();
  await page.getByRole("menuitem", { name: /^Tarn 330/ }).click();
  await page.getByRole("combobox", { name: "Module", exact: true }).click();
  await page.getByRole("option", { name: "Tarn 330" }).click();
  await page.getByLabel("Count", { exact: true }).fill("24");
  await page.getByLabel("Modules a string").fill("12");

  // The sheet says 70 degrees "from upright".
  await page.getByRole("button", { name: /Ways to measure a tilt/ }).click();
  await page.getByLabel("Angle from upright, °").fill("70");
  await page.getByRole("button", { name: "Use 20.0° from flat" }).click();
  await expect(page.getByLabel("Tilt, °", { exact: true })).toHaveValue("20");

  // The compass showed 349, and its needle points east of true north here.
  await page.getByRole("button", { name: /Read a compass/ }).click();
  await page.getByLabel("Compass shows, ° magnetic").fill("349");
  await page.getByLabel("read on").fill("2026-05-10");
  const tool = page.getByRole("dialog");
  await expect(tool).toContainText(/Declination here\s*1[01]\.\d° east/);
  await expect(tool).toContainText("World Magnetic Model");
  await tool.getByRole("button", { name: /^Use (359|0|1)\.\d° true/ }).click();

  await page.getByRole("link", { name: "Shade" }).click();
  await page.getByRole("button", { name: "Tree", exact: true }).click();
  await page.getByLabel("Top, m").fill("8");
  await page.getByLabel("Crown, m").fill("6.5");
  await page.getByLabel("Bearing, °", { exact: true }).fill("56");
  await page.getByLabel("Away, m").fill("13.3");
  await page.getByLabel("Away, m").press("Tab");
  const sky = page.getByRole("group", { name: /The year's sun as .* sees it/ });
  await expect(sky).toContainText("Tree");
  // The sun's way lies in the north, with east at its right; the tree stands north-east.
  const at = async (text: string) => (await sky.getByText(text, { exact: true }).first().boundingBox())!.x;
  expect(await at("W")).toBeLessThan(await at("N"));
  expect(await at("N")).toBeLessThan(await at("NE"));
  expect(Math.abs((await at("Tree")) - (await at("NE")))).toBeLessThan(60);
  await expect(page.getByText(/Tree costs most: .* kWh a year/)).toBeVisible();
  await save(page);

  const { site } = await stored(page, slug);
  expect(site.place.timeZone).toBe("Australia/Sydney");
  expect(site.arrays[0]).toMatchObject({ tiltDeg: 20, count: 24 });
  expect(Math.abs(((site.arrays[0]!.azimuthDeg + 180) % 360) - 180)).toBeLessThan(2);
  expect(Math.atan2(site.obstacles[0]!.eastM, site.obstacles[0]!.northM) * (180 / Math.PI)).toBeCloseTo(56, 0);
  await page.request.delete(`/api/books/${slug}`, { headers: { origin: new URL(page.url()).origin } });
});

test("nothing entered is lost by reload, by the back button, or by undoing too far", async ({ page }) => {
  const slug = await newBook(page);
  const elevation = page.getByLabel("Elevation, m");
  await elevation.fill("123");
  await page.getByRole("link", { name: "Wiring" }).click();
  await expect(page.getByRole("group", { name: /One-line/ }).or(page.getByRole("img", { name: /One-line/ }))).toBeVisible();
  await page.goBack();
  await expect(elevation).toHaveValue("123");
  await page.reload();
  await expect(elevation).toHaveValue("123");
  await expect(page.getByText(/Unsaved entries of .* are back/)).toBeVisible();

  await page.keyboard.press("Control+z");
  await expect(elevation).toHaveValue("0");
  await page.keyboard.press("Control+Shift+z");
  await expect(elevation).toHaveValue("123");
  await page.goto("/");
  await page.goto(`/books/${slug}/site`);
  await expect(elevation).toHaveValue("123");
  await save(page);
  await page.reload();
  await expect(elevation).toHaveValue("123");
  await expect(page.getByText(/Unsaved entries/)).toHaveCount(0);
  await page.request.delete(`/api/books/${slug}`, { headers: { origin: new URL(page.url()).origin } });
});

test("two windows: what does not collide is put together, what does is chosen", async ({ page, context }) => {
  const slug = await newBook(page);
  const other = await context.newPage();
  await other.goto(`/books/${slug}/site`);
  await page.getByLabel("Elevation, m").fill("50");
  await page.getByLabel("Count", { exact: true }).fill("22");
  await other.getByLabel("Name", { exact: true }).first().fill("Two hands");
  await other.getByLabel("Count", { exact: true }).fill("18");
  await save(other);

  await page.getByRole("button", { name: "Save the site" }).click();
  const conflict = page.getByRole("region", { name: "Another window changed the same field" });
  await expect(conflict).toContainText("count");
  await expect(conflict).toContainText("22");
  await expect(conflict).toContainText("18");
  await conflict.getByText("other", { exact: true }).click();
  await conflict.getByRole("button", { name: "Save both together" }).click();
  await expect(page.getByText(/^Saved/)).toBeVisible();
  const { site } = await stored(page, slug);
  expect(site).toMatchObject({ name: "Two hands", place: { elevationM: 50 }, arrays: [{ count: 18 }] });

  // Entries that do not collide need no question.
  await other.reload();
  await other.getByLabel("Longitude, ° (east +)").fill("0.5");
  await page.getByLabel("Elevation, m").fill("61");
  await save(page);
  await save(other);
  expect((await stored(page, slug)).site.place.elevationM).toBe(61);
  await page.request.delete(`/api/books/${slug}`, { headers: { origin: new URL(page.url()).origin } });
});

test("a wrong field and a wrong file are told by place, expectation and way out", async ({ page }) => {
  await page.goto("/books/ferry-office/site");
  const status = page.getByRole("status").last();
  await page.getByLabel("Latitude, ° (north +)").fill("95");
  await page.getByRole("link", { name: "Wiring" }).click();
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(status).toContainText("A field needs correcting before this can be saved. place, latitude (°): latitude lies between");
  const chooser = page.locator('input[type="file"]');
  const file = (text: string) => ({ name: "shed.site.json", mimeType: "application/json", buffer: Buffer.from(text) });
  await chooser.setInputFiles(file('{"format":"dusty-ledger/site","version":1,"colour":"red","place":{},"modules":{},"arrays":[]}'));
  await expect(status).toContainText(/^shed\.site\.json: .*Nothing here was changed\.$/);
  await chooser.setInputFiles(file("not a document"));
  await expect(status).toContainText("Nothing here was changed.");
  await page.getByRole("button", { name: "As the book has it" }).click();
});

test("an obstacle moves by keyboard, tells its cost, and undo takes the move back", async ({ page }) => {
  await page.goto("/books/ferry-office/site?view=shade");
  await expect(page.getByText(/Lime tree costs most: \d+ kWh a year/)).toBeVisible();
  await expect(page.getByRole("row", { name: /strings with bypass diodes/ })).toContainText("as built");
  const tree = page.getByRole("button", { name: /^Lime tree: 6\.0 m east, .15\.0 m north/ });
  await tree.focus();
  for (let k = 0; k < 5; k++) await page.keyboard.press("Shift+ArrowDown");
  await expect(page.getByRole("button", { name: /^Lime tree: 6\.0 m east, .20\.0 m north/ })).toBeVisible();
  const away = page.getByLabel("Away, m").first();
  await expect(away).toHaveValue(/^20\./);
  await page.keyboard.press("Control+z");
  await expect(tree).toBeVisible();
  // The sun runs along when the hour is moved.
  const moment = page.getByTestId("moment");
  await expect(moment).toContainText("14:00");
  await page.getByRole("slider", { name: "Hour of the shadows" }).focus();
  for (let k = 0; k < 30; k++) await page.keyboard.press("ArrowRight");
  await expect(moment).toContainText("14:30");
  await page.getByRole("switch", { name: "Outlines of the year" }).press("Space");
  await expect(page.getByRole("table").filter({ hasText: "Pegs for the top of" })).toContainText("December");
});

test("a horizon is read from rows, painted on the sky, and refused by row when it is wrong", async ({ page }) => {
  await page.goto("/books/packing-shed/site?view=shade");
  await expect(page.getByText("Nothing stands in the sun's way yet.")).toBeVisible();
  const rows = page.getByLabel("Horizon: azimuth, elevation");
  await rows.fill("90, 12\n130, 95");
  await rows.blur();
  await expect(page.getByText(/Row 2, elevationDeg/)).toBeVisible();
  await rows.fill("azimuth;elevation\n60;4\n90;12\n120;3\n240;0");
  await rows.blur();
  await expect(page.getByText(/4 points, highest 12\.0°; it costs \d/)).toBeVisible();
  await page.getByRole("switch", { name: "Paint the horizon" }).press("Space");
  const point = page.getByRole("slider", { name: "Horizon at 90 degrees" });
  await point.focus();
  await page.keyboard.press("ArrowUp");
  await expect(page.getByText(/highest 12\.5°/)).toBeVisible();
  await page.getByRole("button", { name: "As the book has it" }).click();
  await expect(page.getByText("Nothing stands in the sun's way yet.")).toBeVisible();
});

test("limits of the strings are checked while they are typed, and a change has its effect", async ({ page }) => {
  await page.goto("/books/bore-field/site?view=wiring");
  await expect(page.getByRole("row", { name: /Pump rack on pump-house/ })).toContainText("✓");
  await page.getByLabel("Highest DC, V").fill("500");
  await expect(page.getByRole("row", { name: /Pump rack on pump-house/ })).toContainText("≤ 500 !");
  await page.getByRole("link", { name: "History" }).click();
  await page.getByRole("combobox", { name: "What" }).click();
  await page.getByRole("option", { name: "array turned" }).click();
  await page.getByLabel("From (2023-05-10)").last().fill("2024-03-01");
  await page.getByRole("textbox", { name: /azimuth, ° \(was 0\)/ }).fill("90");
  await page.getByRole("button", { name: "Add to the history" }).click();
  await expect(page.getByText(/Costs [\d\u202f]+ kWh a year \(.*%\)/)).toBeVisible();
  await page.getByRole("button", { name: "As the book has it" }).click();
});

test("the planner sets methods side by side, tests a claim, and gives a calendar", async ({ page }) => {
  await page.goto("/books/bore-field/bench?view=tilt");
  const sentence = page.getByTestId("planner-sentence");
  await expect(sentence).toContainText(/tilted twice a year brings [\d\u202f]+ kWh a year/);
  const methods = page.getByRole("table").filter({ hasText: "Methods side by side" });
  await expect(methods.getByRole("row")).toHaveCount(13);
  await expect(page.getByTestId("claim-answer")).toContainText("Not here");
  await page.getByLabel("Claimed gain of tilting, % a year").fill("2");
  await expect(page.getByTestId("claim-answer")).toContainText("Believable");
  await expect(page.getByTestId("moment-answer")).toContainText(/45° instead of \d+°: [\d\u202f]+ W instead of [\d\u202f]+ W/);

  const calendar = await page.request.get((await page.getByRole("link", { name: "Calendar file with reminders" }).getAttribute("href"))!);
  const text = (await calendar.text()).replaceAll("\r\n ", "").replaceAll("\r\n\t", "");
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
  expect(text).toMatch(/SUMMARY:Bore field\\, Pump rack: tilt to \d/);
  expect(text).toContain("RRULE:FREQ=YEARLY");
  expect(text).toMatch(/Leg \d\.\d{3}\sm/);

  await page.getByText("flattest year", { exact: true }).click();
  await expect(sentence).toContainText("kWh a day in the darkest month");
  await page.getByText("most energy", { exact: true }).click();
  await expect(sentence).toContainText("kWh a year");
  await page.getByRole("button", { name: "Use these dates in the book" }).click();
  await expect(sentence).toContainText(/0\.0.% against the rack as it is/);
  const { site } = await stored(page, "bore-field");
  expect(site.arrays[0]!.tiltSchedule).toHaveLength(2);
});

test("rows and snow answer at once, and say when no gap will do", async ({ page }) => {
  await page.goto("/books/ferry-office/bench?view=rows");
  const sentence = page.getByTestId("rows-sentence");
  await expect(sentence).toContainText(/A gap of \d+\.\d\d\sm/);
  await page.getByLabel("Free from, solar hour").fill("7");
  await expect(sentence).toContainText("no gap keeps that window free");
  await page.goto("/books/ferry-office/bench?view=ground");
  await expect(page.getByText(/On a fixed rack in the open the same modules bring \d+/)).toBeVisible();
});

test("a sensor in a plane of its own and a module's measured matrix are kept, and say what is wrong with them", async ({ page }) => {
  const slug = await newBook(page);
  await page.getByRole("combobox", { name: "Tilted sensor lies" }).click();
  await page.getByRole("option", { name: "in a plane of its own" }).click();
  await page.getByLabel("Sensor tilt, °").fill("35");
  await page.getByLabel("Sensor azimuth, °").fill("SE");
  await page.getByLabel("Sensor azimuth, °").blur();
  await page.getByText("A measured matrix of power (IEC 61853-1) …").click();
  const matrix = page.getByLabel("Power by light and cell temperature, W");
  await matrix.fill("W/m²\t15\t26\n1000\t410\t400");
  await matrix.blur();
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText(/a matrix has/).first()).toBeVisible();
  await matrix.fill("W/m²\t15\t25\t50\n1000\t415\t400\thot");
  await expect(page.getByText("Line 2 reads")).toBeVisible();
  await matrix.fill("W/m²\t15\t25\t50\n1000\t415\t400\t362\n200\t–\t78,2\t70,5");
  await expect(page.getByText("Measured matrix of power: 2 lights, 3 temperatures")).toBeVisible();
  await save(page);
  const { site } = (await stored(page, slug)) as unknown as { site: Record<string, unknown> };
  expect(site.lightPlane).toEqual({ tiltDeg: 35, azimuthDeg: 135 });
  expect(Object.values(site.modules as Record<string, { powerMatrix: unknown }>)[0]!.powerMatrix).toEqual({
    irradianceWm2: [200, 1000],
    cellTempC: [15, 25, 50],
    powerW: [
      [null, 78.2, 70.5],
      [415, 400, 362],
    ],
  });
  await page.request.delete(`/api/books/${slug}`, { headers: { origin: new URL(page.url()).origin } });
});
