import { describe, expect, it } from "vitest";
import { siteSchema } from "@/contracts/site";
import { fieldInWords } from "./fields";

describe("fields in words", () => {
  it("counts entries from one and says units as they are read", () => {
    expect(fieldInWords(["moduleTypes", 2, "impA"])).toBe("module type 3, current at maximum power (A)");
    expect(fieldInWords(["arrays", "0", "tiltDeg"])).toBe("array 1, tilt (°)");
    expect(fieldInWords(["modules", "north-roof", "areaM2"])).toBe("module type north-roof, area (m²)");
    expect(fieldInWords(["inverters", 0, "dcInputLimitW"])).toBe("inverter 1, DC input limit (W)");
    expect(fieldInWords(["losses", "soilingMonthlyFrac", 11])).toBe("losses, soiling monthly (0 to 1) 12");
    expect(fieldInWords(["place", "recordLowC"])).toBe("place, record low (°C)");
  });

  it("no field of a site reads like a key", () => {
    const { success, error } = siteSchema.safeParse({
      format: "dusty-ledger/site",
      version: 1,
      place: { latitudeDeg: 200, longitudeDeg: "x", elevationM: 99_999 },
      modules: { a: { pmpW: -1, vocV: -1, gammaPmpPerK: 3 } },
      arrays: [{ id: "r", module: "a", count: 0.5, tiltDeg: 200, azimuthDeg: 400, rowPitchM: -1 }],
      inverters: [{ id: "i", arrays: [], acRatedW: -1, mpptMaxV: -3 }],
      meters: [],
    });
    expect(success).toBe(false);
    expect(error!.issues.length).toBeGreaterThan(8);
    for (const { path } of error!.issues) expect(fieldInWords(path)).not.toMatch(/[a-z][A-Z]\w{2}|\.\d/);
  });
});
