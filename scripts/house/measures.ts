import ts from "typescript";

/** Where something stands that the house rules count. */
export interface Place {
  readonly file: string;
  readonly line: number;
  readonly what: string;
}

/** A named function and how many lines it has. */
export interface NamedFunction extends Place {
  readonly lines: number;
}

const lineOf = (source: ts.SourceFile, position: number): number => source.getLineAndCharacterOfPosition(position).line + 1;

export const parse = (file: string, text: string): ts.SourceFile =>
  ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS);

function walk(node: ts.Node, visit: (node: ts.Node) => void): void {
  visit(node);
  node.forEachChild((child) => walk(child, visit));
}

/** The name that a function is called by: its own, or that of the constant, property or member which holds it. */
function nameOf(node: ts.Node): string | null {
  if (ts.isFunctionDeclaration(node) || ts.isMethodDeclaration(node) || ts.isFunctionExpression(node)) {
    if (node.name) return node.name.getText();
  }
  if (!ts.isFunctionExpression(node) && !ts.isArrowFunction(node)) return null;
  const holder = node.parent;
  return ts.isVariableDeclaration(holder) || ts.isPropertyAssignment(holder) ? holder.name.getText() : null;
}

/** Every function with a name, by its length. */
export function namedFunctions(source: ts.SourceFile): NamedFunction[] {
  const found: NamedFunction[] = [];
  walk(source, (node) => {
    const name = nameOf(node);
    if (name === null || !(node as ts.FunctionLikeDeclaration).body) return;
    const [first, last] = [lineOf(source, node.getStart()), lineOf(source, node.getEnd())];
    found.push({ file: source.fileName, line: first, what: name, lines: last - first + 1 });
  });
  return found;
}

/** Numbers that have one definition, by the name under which they stand in `core/units`. */
const SHARED: Readonly<Record<string, string>> = {
  "365.2425": "DAYS_PER_YEAR",
  "8766": "HOURS_PER_YEAR",
  "1.4826": "MAD_TO_DEVIATION",
  "86400000": "DAY_MS",
  "3600000": "HOUR_MS",
};

/** Shared constants that are typed in once more. */
export function repeatedConstants(source: ts.SourceFile): Place[] {
  const found: Place[] = [];
  walk(source, (node) => {
    if (!ts.isNumericLiteral(node)) return;
    const name = SHARED[node.text];
    if (name) found.push({ file: source.fileName, line: lineOf(source, node.getStart()), what: `${node.getText()} for ${name}` });
  });
  return found;
}

/** Casts that silence the compiler. */
export function neverCasts(source: ts.SourceFile): Place[] {
  const found: Place[] = [];
  walk(source, (node) => {
    if (ts.isAsExpression(node) && node.type.kind === ts.SyntaxKind.NeverKeyword)
      found.push({ file: source.fileName, line: lineOf(source, node.getStart()), what: "as never" });
  });
  return found;
}

/** Tables written by hand. */
export function handMadeTables(source: ts.SourceFile): Place[] {
  const found: Place[] = [];
  walk(source, (node) => {
    if ((ts.isJsxOpeningElement(node) || ts.isJsxSelfClosingElement(node)) && node.tagName.getText() === "table")
      found.push({ file: source.fileName, line: lineOf(source, node.getStart()), what: "<table>" });
  });
  return found;
}

/** A run of this many words is something said, not a name. */
const WORDS_OF_A_SENTENCE = 3;
const WORD = /^[“"'(]*\p{L}[\p{L}’'-]*[.,:;?!…”"')]*$/u;
/** Attributes and calls whose text is for machines. */
const MACHINE_ATTRIBUTES = new Set(["className", "d", "points", "transform", "viewBox", "style", "gridTemplateColumns", "autoComplete"]);
const MACHINE_CALLS =
  /^(Error|TypeError|RangeError|BookMoved|ConnectionLost|split|log|query|sql|literal|classList|querySelector(All)?|matchMedia)$/;

function isForMachines(node: ts.Node): boolean {
  for (let at: ts.Node | undefined = node.parent; at; at = at.parent) {
    if (ts.isImportDeclaration(at) || ts.isExportDeclaration(at) || ts.isLiteralTypeNode(at)) return true;
    if (ts.isJsxAttribute(at)) return MACHINE_ATTRIBUTES.has(at.name.getText());
    if (ts.isTaggedTemplateExpression(at)) return true;
    if (ts.isNewExpression(at) || ts.isCallExpression(at)) {
      const name = at.expression.getText();
      if (MACHINE_CALLS.test(name.split(".").at(-1) ?? "") || /^(log|logger)\./.test(name)) return true;
    }
    if (ts.isFunctionLike(at) || ts.isJsxElement(at)) return false;
  }
  return false;
}

/** Statements for the database, policies for the browser, patterns. */
const FOR_MACHINES = /^\s*(select|insert|update|delete|with|create|alter|drop|copy)\s|'(self|none|strict-dynamic|nonce-)|^\^\(/i;

const isSentence = (text: string): boolean => {
  const words = text.split(/\s+/).filter((word) => WORD.test(word));
  return words.length >= WORDS_OF_A_SENTENCE && !FOR_MACHINES.test(text);
};

const textOf = (node: ts.Node): string | null => {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) || ts.isJsxText(node)) return node.text;
  if (ts.isTemplateExpression(node)) return node.head.text + node.templateSpans.map((span) => ` § ${span.literal.text}`).join("");
  return null;
};

/** Texts of three words or more that people are meant to read. */
export function sentences(source: ts.SourceFile): Place[] {
  const found: Place[] = [];
  walk(source, (node) => {
    const text = textOf(node);
    if (text === null || !isSentence(text) || isForMachines(node)) return;
    found.push({ file: source.fileName, line: lineOf(source, node.getStart()), what: text.replace(/\s+/g, " ").trim().slice(0, 90) });
  });
  return found;
}
