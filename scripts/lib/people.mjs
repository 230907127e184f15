import { existsSync, readFileSync, statSync } from "node:fs";
import { lchown, mkdir, readdir } from "node:fs/promises";
import path from "node:path";
import { projectFolder, run, SETPRIV } from "./run.mjs";

/** The system user that the programs run as where root starts them in a folder of root's own. */
const OWN_USER = "dusty-ledger";
const isRoot = () => process.getuid?.() === 0;

const idsOf = (name) => {
  const line = readFileSync("/etc/passwd", "utf8")
    .split("\n")
    .find((entry) => entry.startsWith(`${name}:`));
  if (!line) return null;
  const [, , uid, gid] = line.split(":");
  return { uid: Number(uid), gid: Number(gid) };
};

async function ownUser() {
  if (!idsOf(OWN_USER))
    await run("useradd", ["--system", "--no-create-home", "--shell", "/usr/sbin/nologin", OWN_USER], { capture: true }).catch(() => {});
  return idsOf(OWN_USER) ?? idsOf("nobody");
}

const asPerson = ({ uid, gid }, program, args) => ["setpriv", [`--reuid=${uid}`, `--regid=${gid}`, "--clear-groups", program, ...args]];

/** Somebody who is not root: the folder's owner, or a user of our own. Null where we are not root ourselves. PostgreSQL runs as nobody else. */
export async function notRoot() {
  if (!isRoot()) return null;
  const { uid, gid } = statSync(projectFolder);
  return uid !== 0 ? { uid, gid } : ownUser();
}

let found;

/**
 * Who our programs run as: nobody else's business when a person starts them; never root. Root steps down to the folder's owner, or to a user of its own.
 * Null where there is nothing to step down from, or where that user can't read the folder.
 */
export function steppedDown() {
  found ??= (async () => {
    const person = await notRoot();
    if (!person) return null;
    const [command, args] = asPerson(person, "test", ["-r", path.join(projectFolder, "package.json")]);
    if ((await run(command, args, { capture: true, cwd: "/" })).code === 0) return person;
    console.log(`No other user can read ${projectFolder}: the programs run as root, with none of root's powers.`);
    return null;
  })();
  return found;
}

/** This process itself goes on as who our programs run as, for good: what needs root has been done. */
export async function stepDown() {
  const person = await steppedDown();
  if (!person || !isRoot()) return;
  process.setgroups([]);
  process.setgid(person.gid);
  process.setuid(person.uid);
}

/** A folder that our programs may write, with all that lies in it already. */
export async function ownFolder(folder) {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const person = await steppedDown();
  if (!person || !isRoot()) return;
  // The links themselves, never what they lead to: who writes this folder must not choose what root gives away.
  await lchown(folder, person.uid, person.gid);
  for (const entry of await readdir(folder, { recursive: true }))
    await lchown(path.join(folder, entry), person.uid, person.gid).catch(() => {});
}

/** A Node program as it is started: without root, and gone when what started it is gone, however that ended. */
export async function asOurs(args) {
  if (!existsSync(SETPRIV)) return [process.execPath, args];
  const person = isRoot() ? await steppedDown() : null;
  const rights = person
    ? [`--reuid=${person.uid}`, `--regid=${person.gid}`, "--clear-groups"]
    : isRoot()
      ? ["--bounding-set=-all", "--inh-caps=-all"]
      : [];
  return [SETPRIV, [...rights, "--no-new-privs", "--pdeathsig=KILL", process.execPath, ...args]];
}
