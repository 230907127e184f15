import { expect, test } from "@playwright/test";

test("payback with a price rise of four percent, from the demo", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Ferry office", exact: true }).last().click();
  await page.getByRole("link", { name: "Money", exact: true }).click();
  const verdict = page.getByTestId("payback-verdict");
  await expect(verdict).toContainText("12 years");
  await page.getByLabel("Price rise a year, bought, %").fill("4");
  await expect(verdict).toContainText("with bought energy rising 4.0 % a year");
  // What is exported, half of it, is paid at a fixed rate.
  await expect(verdict).toContainText("12 years 1 month");
  await page.getByLabel("Price rise a year, bought, %").fill("0.04");
  await expect(page.getByText(/did you mean 4.0 %/)).toBeVisible();
  await verdict.getByRole("button").first().click();
  await expect(page.getByTestId("working")).toContainText("replacements reaches the net cost");
});

test("a loan at seven percent over twenty years against cash", async ({ page }) => {
  await page.goto("/books/ferry-office/money?view=loan");
  await page.getByLabel("Interest a year, %").fill("7");
  await page.getByLabel("Term, years").fill("20");
  const verdict = page.getByTestId("loan-verdict");
  // 14,000 at 7 % over 240 months by the annuity's formula.
  await expect(verdict).toContainText("At 7.00 % over 20 years the loan takes 108.54 EUR a month");
  await expect(verdict).toContainText(/Cash is [\d\u202f]+ ahead of the loan/);
  await expect(page.getByRole("row", { name: /No array/ })).toBeVisible();
});

test("reinstall after the new roof, and whether the cleaning is worth it", async ({ page }) => {
  await page.goto("/books/packing-shed/money?view=cases");
  const verdict = page.getByTestId("case-verdict");
  await expect(verdict).toContainText(/Leave it to the rain|a year:/);
  await expect(page.getByRole("row", { name: /Once a year/ })).toContainText(/EUR a kWh/);
  await page.getByLabel("A cleaning, EUR").fill("20");
  await expect(verdict).toContainText(/a year: .* kWh a year more, ahead by/);
  await page.getByRole("button", { name: "After a new roof" }).click();
  await expect(verdict).toContainText(/Put the old one back|Renew it|Scrap it/);
  await expect(page.getByRole("row", { name: /Put the old one back/ })).toBeVisible();
  await expect(page.getByText(/licensed electrician/)).toBeVisible();
});

test("bills are pasted, told what is wrong, mended and stored; savings stand by three methods", async ({ page }) => {
  await page.goto("/books/ferry-office/money?view=bills");
  await expect(page.getByTestId("bills-verdict")).toContainText("in 60 months");
  await expect(page.getByRole("row", { name: /Tariff run again/ })).toContainText("trust this one");
  await expect(page.getByText(/The plan run again over 60 printed bills: 60 to the cent/)).toBeVisible();
  await expect(page.getByRole("row", { name: /2019-05 est\./ })).toBeVisible();
  await page.getByRole("button", { name: "Enter, paste or bring bills" }).click();
  await page
    .getByLabel("Paste rows from a sheet, heads included")
    .fill("from\tto\timport_peak_kwh\timport_offpeak_kwh\texport_kwh\tamount\n2019-05-01\t2019-06-02\t300\t250\t\t160.20");
  await page.getByRole("button", { name: "Take what is pasted" }).click();
  await expect(page.getByTestId("bill-faults")).toContainText(/starts on 2019-06-01, but bill \d+ runs to 2019-06-02/);
  await expect(page.getByRole("button", { name: /Store 98 bills|Store 99 bills/ })).toBeDisabled();
  const ends = page.getByRole("textbox", { name: /^to, row/ });
  const at = await ends.evaluateAll((inputs) => inputs.findIndex((input) => (input as HTMLInputElement).value === "2019-06-02"));
  await ends.nth(at).fill("2019-05-31");
  await expect(page.getByTestId("bill-faults")).toHaveCount(0);
  await page.getByRole("button", { name: /^Store/ }).click();
  await expect(page.getByRole("row", { name: /^2019-05 550/ })).toContainText("160.20");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as XLSX, with formulas" }).click();
  expect((await download).suggestedFilename()).toBe("ferry-office-bills.xlsx");
});

test("a plan that can't be right is refused in words, and a right one is saved and compared", async ({ page }) => {
  await page.goto("/books/ferry-office/money?view=tariff");
  await expect(page.getByTestId("tariff-verdict")).toContainText("“Sun plan” costs 0.299 a bought kWh against 0.240");
  const offer = page.locator("details").filter({ hasText: "Sun plan" });
  await offer.locator("summary").click();
  await offer.getByLabel("Hours (7-20); empty: the rest").first().fill("10-17");
  await expect(offer.getByTestId("plan-faults")).toContainText("noon and evening both hold 16:00 on weekdays");
  await offer
    .getByLabel(/EUR a kWh \(tiers/)
    .first()
    .fill("19");
  await expect(offer.getByTestId("plan-faults")).toContainText("That looks like cents. Write 0.19");
  await expect(page.getByRole("button", { name: "Save the plans" })).toBeDisabled();
  await offer.getByLabel("Hours (7-20); empty: the rest").first().fill("10-16");
  await offer
    .getByLabel(/EUR a kWh \(tiers/)
    .first()
    .fill("0.10");
  await page.getByRole("button", { name: "Save the plans" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByTestId("tariff-verdict")).not.toContainText("0.299");
});

test("from what people have: a usual bill, a credit in per cent, a cost of a later year", async ({ page }) => {
  await page.goto("/books/packing-shed/money");
  await page.getByText("From a usual bill").click();
  await page.getByLabel("The bill, EUR").fill("160");
  await expect(page.getByTestId("one-bill")).toContainText("The bill alone is no price");
  await page.getByLabel("Energy on the bill, kWh").fill("400");
  // 160 less a tenth, over 400; between three quarters and all of it.
  await expect(page.getByTestId("one-bill")).toContainText("A bought kWh costs 0.360 EUR; between 0.300 and 0.400");
  await page.getByLabel("Fixed or minimum part, EUR").fill("12");
  await page.getByRole("button", { name: "Take 0.3700 as the price of a bought kWh" }).click();
  await expect(page.getByLabel("Bought, EUR a kWh")).toHaveValue("0.3700");

  await page.getByRole("button", { name: "Add an incentive" }).click();
  const amount = page.getByLabel("Amount").nth(2);
  await amount.fill("25 %");
  await amount.blur();
  await expect(amount).toHaveValue("15250.00");

  await expect(page.getByTestId("counted-from")).toContainText("Counted from 1 April 2019");
  await page.getByRole("button", { name: "Add a cost" }).click();
  await page.getByLabel("On").nth(1).fill("2025-06-01");
  await page.getByLabel("Amount").nth(1).fill("9000");
  await page.getByLabel("For").nth(1).fill("new roof");
  await expect(page.getByTestId("later-cost")).toContainText(
    /new roof, 9\D?000 EUR on 1 June 2025: what is earned from then on brings it back in .* on about /,
  );
});

test("a plan begins with its structure, drawn before any price, and takes a country's holidays", async ({ page }) => {
  await page.goto("/books/hill-school/money?view=tariff");
  await expect(page.getByText("morning peak", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Use “Three seasons, two winter peaks”" }).click();
  await expect(page.getByText("7 prices to type")).toBeVisible();
  await expect(page.getByRole("button", { name: "Save the plans" })).toBeDisabled();
  await page.getByLabel("Holidays of").selectOption({ label: "Poland" });
  await page.getByRole("button", { name: "Take its public holidays" }).click();
  await expect(page.getByLabel(/^Holidays \(/)).toHaveValue(/12-25/);
  for (let band = 0; band < 7; band++)
    await page
      .getByLabel(/PLN a kWh \(tiers/)
      .nth(band)
      .fill("0.9");
  await expect(page.getByText("7 prices to type")).toBeHidden();
  await expect(page.getByRole("button", { name: "Save the plans" })).toBeEnabled();
});
