import { createPublicKey, generateKeyPairSync, sign } from "node:crypto";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { canonical, fingerprint, isIntact, keyInWords, signedText } from ".";

const { privateKey } = generateKeyPairSync("ed25519");
const publicKey = createPublicKey(privateKey).export({ type: "spki", format: "der" }).toString("base64");
const signed = <T extends Record<string, unknown>>(content: T) => ({
  ...content,
  signature: {
    algorithm: "Ed25519" as const,
    publicKey,
    value: sign(null, Buffer.from(signedText({ ...content })), privateKey).toString("base64"),
  },
});

describe("an evidence's signature", () => {
  const evidence = signed({ book: "Shed", figures: { ratio: 0.97, kept: [1, 2.5, null] } });

  it("holds over a document in any order of its keys, and through a file", () => {
    expect(isIntact(evidence, evidence.signature)).toBe(true);
    const { signature, ...rest } = evidence;
    const other = { signature, ...Object.fromEntries(Object.entries(rest).reverse()) };
    expect(isIntact(JSON.parse(JSON.stringify(other, null, 2)) as Record<string, unknown>, signature)).toBe(true);
  });

  it("breaks with any change of any value", () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, min: -2, max: 2 }), (ratio) => {
        fc.pre(ratio !== 0.97);
        expect(isIntact({ ...evidence, figures: { ...evidence.figures, ratio } }, evidence.signature)).toBe(false);
      }),
    );
    expect(isIntact({ ...evidence, more: 1 }, evidence.signature)).toBe(false);
    expect(isIntact({ ...evidence, figures: { ratio: 0.97, kept: [2.5, 1, null] } }, evidence.signature)).toBe(false);
  });

  it.each([
    [
      "another key",
      { publicKey: createPublicKey(generateKeyPairSync("ed25519").privateKey).export({ type: "spki", format: "der" }).toString("base64") },
    ],
    ["a key that is none", { publicKey: "AAAA" }],
    [
      "a key of another kind",
      { publicKey: createPublicKey(generateKeyPairSync("x25519").privateKey).export({ type: "spki", format: "der" }).toString("base64") },
    ],
    ["an empty signature", { value: "" }],
  ])("does not hold with %s", (_, part) => {
    expect(isIntact(evidence, { ...evidence.signature, ...part })).toBe(false);
  });

  it("canonical text is the same for the same values, and another for others", () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        const same = JSON.stringify(a) === JSON.stringify(b);
        if (!same && canonical(a) === canonical(b)) expect(JSON.parse(canonical(a))).toEqual(JSON.parse(JSON.stringify(b)));
        expect(JSON.parse(canonical(a))).toEqual(JSON.parse(JSON.stringify(a)));
      }),
    );
    expect(canonical({ b: [1, { d: null, c: "x" }], a: undefined })).toBe('{"b":[1,{"c":"x","d":null}]}');
  });

  it("keys are told apart by sixteen letters", () => {
    expect(keyInWords(publicKey)).toMatch(/^([0-9a-f]{4} ){3}[0-9a-f]{4}$/);
    expect(fingerprint("")).toBe("e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855");
  });
});
