/**
 * Every sentence comes from a catalogue. A locale changes what a catalogue gives at the moment it is asked, so that a second language is a file and no
 * search; `pseudo` marks each sentence, which lets a test see what does not come from here.
 */
/** What a sentence may be told: what is not known is said by the sentence. */
export type Fact = string | number | null | undefined;

type Sentence = string | ((...args: never[]) => string);

/** Marks around every sentence of the pseudo-locale. */
export const PSEUDO_MARKS = ["⟦", "⟧"] as const;

const LOCALES: Readonly<Record<string, (sentence: string) => string>> = {
  pseudo: (sentence) =>
    sentence.trim() === "" || sentence.startsWith(PSEUDO_MARKS[0]) ? sentence : `${PSEUDO_MARKS[0]}${sentence}${PSEUDO_MARKS[1]}`,
};

/** The locale of this process, or of this page, which the server wrote into it. */
export function localeName(): string {
  if (typeof document !== "undefined") return document.documentElement.dataset.locale ?? "";
  return typeof process === "undefined" ? "" : (process.env.DUSTY_LEDGER_LOCALE ?? "");
}

/** A sentence in the locale of the moment. */
export const inLocale = (sentence: string): string => LOCALES[localeName()]?.(sentence) ?? sentence;

/** Sentences by name: plain ones, and those that take facts. */
export function catalogue<T extends Readonly<Record<string, Sentence>>>(sentences: T): T {
  const get = (target: T, name: string | symbol): unknown => {
    const sentence = Reflect.get(target, name) as Sentence | undefined;
    if (typeof sentence === "string") return inLocale(sentence);
    if (typeof sentence !== "function") return sentence;
    return (...args: never[]): string => inLocale(sentence(...args));
  };
  return new Proxy(sentences, { get });
}
