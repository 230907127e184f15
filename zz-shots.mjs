import { chromium } from "playwright";
import { startHouse } from "/work/main/scripts/lib/house.mjs";
const only = process.argv.slice(2);
const house = await startHouse({ firstPort: 4400 });
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const shots = JSON.parse((await import("node:fs")).readFileSync("/tmp/shots.json","utf8"));
// wait until causes are there
for (let k = 0; k < 240; k++) {
  const text = await (await fetch(house.site.address + "/")).text();
  if (!text.includes("being made") && !text.includes("being reckoned")) { 
    const t2 = await (await fetch(house.site.address + "/books/packing-shed/ledger?year=2025")).text();
    const t3 = await (await fetch(house.site.address + "/books/alpine-hut/ledger?year=2024")).text();
    if (!/sought/.test(t2.replace(/<script[\s\S]*?<\/script>/g,"")) && !/sought/.test(t3.replace(/<script[\s\S]*?<\/script>/g,""))) break; }
  await new Promise((r) => setTimeout(r, 1000));
}
for (const { name, path, w = 1280, h = 800, full, dark, print, wait = 2500 } of shots) {
  if (only.length && !only.includes(name)) continue;
  const context = await browser.newContext({ viewport: { width: w, height: h }, timezoneId: "UTC", reducedMotion: "reduce", colorScheme: dark ? "dark" : "light" });
  const page = await context.newPage();
  page.on("pageerror", (e) => console.log(name, "ERROR", e.message));
  await page.goto(house.site.address + path);
  await page.waitForTimeout(wait);
  if (print) await page.emulateMedia({ media: "print" });
  await page.screenshot({ path: `/tmp/shot-${name}.png`, fullPage: !!full });
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  const says = await page.evaluate(() => document.querySelector("p[class*=verdict]")?.textContent ?? "");
  console.log(name, "over", wide, says.slice(0, 600));
  await context.close();
}
await browser.close();
await house.stop();
