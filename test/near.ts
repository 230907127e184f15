import { expect } from "vitest";

/** A number inside something that is compared whole, equal to so many digits after the point. */
export const near = (value: number, digits: number): unknown => expect.closeTo(value, digits);
