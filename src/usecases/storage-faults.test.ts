import { describe, expect, it } from "vitest";
import { storageRefusal } from "./storage-faults";

const fault = (extra: object, name = "Error", message = ""): Error => Object.assign(new Error(message), { name }, extra);

describe("a fault of disk or database", () => {
  it("without room is said so, however deep the system's word lies", () => {
    expect(storageRefusal(fault({ code: "ENOSPC" }))?.reason).toBe("disk-full");
    expect(storageRefusal(fault({ parent: fault({ code: "53100" }) }, "SequelizeDatabaseError"))?.reason).toBe("disk-full");
    expect(storageRefusal(new Error("writing failed", { cause: fault({ code: "EDQUOT" }) }))?.reason).toBe("disk-full");
  });

  it("of a database that is away is one to try again", () => {
    for (const name of ["SequelizeConnectionRefusedError", "SequelizeConnectionAcquireTimeoutError", "ConnectionLost"])
      expect(storageRefusal(fault({}, name))?.reason, name).toBe("database-away");
    expect(storageRefusal(fault({ parent: fault({ code: "57P01" }) }))?.reason).toBe("database-away");
    expect(storageRefusal(fault({}, "Error", "Connection terminated unexpectedly"))?.reason).toBe("database-away");
  });

  it("of files that may not be written names them", () => {
    for (const code of ["EACCES", "EROFS"]) expect(storageRefusal(fault({ code }))?.reason, code).toBe("folder-closed");
  });

  it("that waited for another change of the same book says so", () => {
    expect(storageRefusal(fault({ parent: fault({ code: "55P03" }) }, "SequelizeDatabaseError"))?.reason).toBe("change-waits");
  });

  it("of another kind stays a fault of ours", () => {
    expect(storageRefusal(fault({ code: "23505" }, "SequelizeUniqueConstraintError"))).toBeNull();
    expect(storageRefusal(new TypeError("x is undefined"))).toBeNull();
    expect(storageRefusal("text")).toBeNull();
  });
});
