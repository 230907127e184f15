import { SaxesParser } from "saxes";
import { UnreadableText } from "../tabular/text";

export interface XmlLimits {
  /** Elements that a document may hold. */
  readonly mostTags: number;
  /** How deep they may lie in one another. */
  readonly mostDepth: number;
}

/** An element as it is met. Names are without their prefix: files differ in prefixes and mean the same. */
export interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
}

interface Handlers {
  readonly open: (element: Element) => void;
  readonly close: (name: string) => void;
  readonly text: (text: string) => void;
}

/** What breaks a document, with the line of it. */
export class BrokenXml extends Error {
  override readonly name = "BrokenXml";
  constructor(
    readonly line: number,
    message: string,
  ) {
    super(message);
  }
}

const HEAD_CHARS = 4096;

const localName = (name: string): string => name.slice(name.indexOf(":") + 1);

/**
 * Reads XML piece by piece and hands its elements on; nothing is built up here. Document types and entities of its own are refused, since they grow without
 * bound. Throws UnreadableText beyond the limits, BrokenXml for what is no XML.
 */
export function readXml({ mostTags, mostDepth }: XmlLimits, { open, close, text }: Handlers) {
  const parser = new SaxesParser({ xmlns: false, position: true });
  let tags = 0;
  let depth = 0;
  parser.on("doctype", () => {
    throw new UnreadableText("xml-entities");
  });
  parser.on("opentag", ({ name, attributes }) => {
    if (++tags > mostTags) throw new UnreadableText("too-many-tags");
    if (++depth > mostDepth) throw new UnreadableText("xml-too-deep");
    open({ name: localName(name), attributes });
  });
  parser.on("closetag", ({ name }) => {
    depth--;
    close(localName(name));
  });
  parser.on("text", text);
  parser.on("cdata", text);
  parser.on("error", (error) => {
    throw new BrokenXml(parser.line, error.message.replace(/^\d+:\d+: /, ""));
  });
  let isFirst = true;
  return {
    write(piece: string): void {
      // A page of the web says it in small letters, which is no XML at all; what it means is the same.
      if (isFirst && /<!doctype/i.test(piece.slice(0, HEAD_CHARS))) throw new UnreadableText("xml-entities");
      isFirst = false;
      parser.write(piece);
    },
    end: (): void => void parser.close(),
  };
}
