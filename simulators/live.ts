import type { Site } from "@/core/site";
import { runSun } from "@/core/sun";
import { DAY_MS } from "@/core/units";
import { parseSite } from "@/formats/site-json";
import { DEMO_BOOKS } from "./demo";
import type { DemoBook } from "./demo-book";
import { type Faults, misbehave } from "./faults";
import { joinPages } from "./join";
import type { LiveColumn } from "./live-column";
import { recordOf } from "./record";

/** A demo plant played on from its record to this moment, from the same seed; simulated anew once a day. */
export class LivePlant {
  private held: { day: number; weather: readonly LiveColumn[]; production: LiveColumn } | null = null;
  readonly site: Site;
  private readonly demo: DemoBook;

  constructor(name: string) {
    const demo = DEMO_BOOKS.find((book) => book.site.name === name);
    const reading = demo && parseSite(demo.site);
    if (!demo || !reading?.ok) throw new Error(`No demo book is named ${name}`);
    this.demo = demo;
    this.site = reading.document;
  }

  /** Where the loaded record ends and the feed begins. */
  get startsUtc(): string {
    return this.demo.lastUtc;
  }

  at(nowUtcMs: number): { weather: readonly LiveColumn[]; production: LiveColumn } {
    const day = Math.floor(nowUtcMs / DAY_MS);
    if (this.held?.day !== day) {
      const record = recordOf({ ...this.demo, lastUtc: new Date((day + 1) * DAY_MS).toISOString() }, this.site);
      this.held = { day, weather: record.weather.map(joinPages), production: joinPages(record.production[0]!) };
    }
    return this.held;
  }

  /** Production with the faults that were switched on. */
  production(nowUtcMs: number, faults: Faults): LiveColumn {
    const { production } = this.at(nowUtcMs);
    const axis = { startUtcMs: production.startUtcMs, stepMinutes: production.stepMinutes, count: production.values.length };
    return { ...production, values: misbehave(axis, production.values, runSun(axis, this.site.place), faults) };
  }
}
