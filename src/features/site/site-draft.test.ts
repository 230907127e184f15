import { site } from "@test/site-builder";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { draftsOf, dropDraft, keepDraft, tabId } from "./draft-storage";
import { toValues } from "./site-values";

/** A browser's storage: its keys are the object's own, as `Object.keys` sees them. */
function storage(): Storage {
  const current: Record<string, string> = {};
  const api = {
    getItem: (key: string) => current[key] ?? null,
    setItem: (key: string, value: string) => {
      current[key] = value;
    },
    removeItem: (key: string) => {
      delete current[key];
    },
  };
  return new Proxy(api, {
    ownKeys: () => Object.keys(current),
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  }) as unknown as Storage;
}

const plant = site();

describe("drafts of a window", () => {
  beforeEach(() => {
    vi.stubGlobal("localStorage", storage());
    vi.stubGlobal("sessionStorage", storage());
  });
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  it("are kept by book and window, and come back as they were", () => {
    keepDraft("roof", { base: plant, values: toValues({ ...plant, name: "Half written" }) });
    const [draft] = draftsOf("roof");
    expect(draft!.values.name).toBe("Half written");
    expect(draft!.base.name).toBe(plant.name);
    expect(draft!.tab).toBe(tabId());
    expect(draftsOf("shed")).toEqual([]);
  });

  it("a window keeps one draft a book, and another window its own", () => {
    keepDraft("roof", { base: plant, values: toValues({ ...plant, name: "one" }) });
    keepDraft("roof", { base: plant, values: toValues({ ...plant, name: "two" }) });
    vi.stubGlobal("sessionStorage", storage());
    keepDraft("roof", { base: plant, values: toValues({ ...plant, name: "other window" }) });
    expect(
      draftsOf("roof")
        .map((draft) => draft.values.name)
        .sort(),
    ).toEqual(["other window", "two"]);
  });

  it("are gone once they are dropped", () => {
    keepDraft("roof", { base: plant, values: toValues(plant) });
    dropDraft("roof", tabId());
    expect(draftsOf("roof")).toEqual([]);
  });

  it("a window keeps its name through a reload", () => {
    expect(tabId()).toBe(tabId());
    const before = tabId();
    vi.stubGlobal("sessionStorage", storage());
    expect(tabId()).not.toBe(before);
  });
});
