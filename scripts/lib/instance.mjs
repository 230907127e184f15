import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { mkdir } from "node:fs/promises";
import { inProject } from "./run.mjs";

const folder = inProject("var");
const file = inProject("var", "instance.json");

/** When a process began, in the system's ticks: with the number, it names one process for good. Null where there is none, or the system does not tell. */
function beganAt(pid) {
  const stat = existsSync(`/proc/${pid}/stat`) ? readFileSync(`/proc/${pid}/stat`, "utf8") : "";
  const [state, ...rest] = stat.slice(stat.lastIndexOf(")") + 2).split(" ");
  return stat === "" || state === "Z" ? null : rest[18];
}

/** Takes the folder for this process: two that shared its files would take each other's database. Returns who has it, or null when it is ours now. */
export async function takeFolder() {
  await mkdir(folder, { recursive: true });
  for (let tries = 0; tries < 2; tries++) {
    try {
      writeFileSync(file, JSON.stringify({ pid: process.pid, began: beganAt(process.pid) }), { flag: "wx" });
      process.once("exit", () => rmSync(file, { force: true }));
      return null;
    } catch (error) {
      if (error.code !== "EEXIST") throw error;
    }
    const other = read();
    if (other && beganAt(other.pid) === other.began && other.began !== null) return other;
    rmSync(file, { force: true });
  }
  return read() ?? { pid: "?" };
}

/** Says where this folder's instance is open. */
export const tellAddress = (address) => writeFileSync(file, JSON.stringify({ pid: process.pid, began: beganAt(process.pid), address }));

function read() {
  try {
    return JSON.parse(readFileSync(file, "utf8"));
  } catch {
    return null;
  }
}
