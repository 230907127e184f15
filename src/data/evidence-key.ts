import { createPrivateKey, createPublicKey, generateKeyPairSync, type KeyObject, sign } from "node:crypto";
import { link, mkdir, readFile, rm, writeFile } from "node:fs/promises";
import path from "node:path";
import type { Signer } from "@/usecases/acceptance";

const OWNER_ALONE = 0o600;
const FOLDER_OWNER_ALONE = 0o700;

/** The house's own key, in a file that its owner alone can read; made when it is first asked for, and never changed. */
export function evidenceKey(folder: string): Signer {
  const file = path.join(folder, "evidence-key.pem");
  let key: Promise<KeyObject> | null = null;
  const held = (): Promise<KeyObject> => {
    key ??= readOrMake(folder, file).catch((error: unknown) => {
      key = null;
      throw error;
    });
    return key;
  };
  return {
    publicKey: async () =>
      createPublicKey(await held())
        .export({ type: "spki", format: "der" })
        .toString("base64"),
    sign: async (text) => sign(null, Buffer.from(text), await held()).toString("base64"),
  };
}

async function readOrMake(folder: string, file: string): Promise<KeyObject> {
  const read = async (): Promise<KeyObject | null> => {
    const pem = await readFile(file, "utf8").catch((error: NodeJS.ErrnoException) => {
      if (error.code === "ENOENT") return null;
      throw error;
    });
    return pem === null ? null : createPrivateKey(pem);
  };
  const there = await read();
  if (there) return there;
  await mkdir(folder, { recursive: true, mode: FOLDER_OWNER_ALONE });
  const pem = generateKeyPairSync("ed25519").privateKey.export({ type: "pkcs8", format: "pem" });
  // Written beside and then linked: of two that make one at once the first stands whole, and both read it.
  const own = `${file}.${process.pid}`;
  await writeFile(own, pem, { mode: OWNER_ALONE });
  await link(own, file).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== "EEXIST") throw error;
  });
  await rm(own, { force: true });
  return (await read())!;
}
