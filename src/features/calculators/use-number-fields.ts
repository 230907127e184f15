import { useState } from "react";

/** What a number field holds while somebody types: a number, or what is not one yet. */
export type Typed = number | string;

/** What is typed, or `otherwise` while it is no number. */
export const typedNumber = <T>(value: Typed, otherwise: T): number | T => (typeof value === "number" ? value : otherwise);

/** The number fields of a bench by their names. */
export interface NumberFields<Name extends string> {
  readonly typed: Readonly<Record<Name, Typed>>;
  /** What is typed, or `otherwise` while it is no number. */
  readonly numberOf: (name: Name, otherwise: number) => number;
  /** The change of one field, for its input. */
  readonly into: (name: Name) => (value: Typed) => void;
  readonly fill: (values: Partial<Record<Name, Typed>>) => void;
}

/** The number fields of a bench, which start with these values. */
export function useNumberFields<Name extends string>(start: Readonly<Record<Name, Typed>>): NumberFields<Name> {
  const [typed, setTyped] = useState(start);
  const fill = (values: Partial<Record<Name, Typed>>): void => setTyped((before) => ({ ...before, ...values }));
  return {
    typed,
    numberOf: (name, otherwise) => typedNumber(typed[name], otherwise),
    into: (name) => (value) => fill({ [name]: value } as Partial<Record<Name, Typed>>),
    fill,
  };
}
