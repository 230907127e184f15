import type { Battery, BatteryKind, ChargeController } from "../site";
import type { Line } from "./line";
import { type DecimalMark, typedNumber } from "./typed-number";

const NUMBER = "(\\d[\\d.,]*)";
const AMPS = `${NUMBER}\\s*a(?:mps?|mperes?)?\\b`;
const VOLTS = `${NUMBER}\\s*v(?:olts?)?\\b`;
const CHARGE = `${NUMBER}\\s*ah\\b`;
/** Several of one: "2 × ". */
const TIMES = "(?:(\\d+)\\s*[x×*]\\s*)?";
const BETWEEN = "\\s*(?:at|@|,|of)?\\s*";

const positive = (text: string | undefined, mark: DecimalMark): number | null => {
  const value = typedNumber((text ?? "").replace(/[.,]$/, ""), mark);
  return value !== null && value > 0 ? value : null;
};

/** A charge controller in a line: "60 A charge controller", "MPPT controller of 40 A"; null where none is named. */
export function controllerOf(line: Line, mark: DecimalMark): ChargeController | null {
  const named = "(?:mppt[- ]?|pwm[- ]?)?(?:(?:charge|solar)[- ]?)?controllers?";
  const found = line.take(new RegExp(`(?:${AMPS}\\s*)?\\b${named}\\b(?:${BETWEEN}${AMPS})?`));
  return found && { maxA: positive(found[1] ?? found[2], mark) };
}

const KINDS: readonly (readonly [BatteryKind, RegExp])[] = [
  ["lithium", /\b(lithium|li-?ion|lifepo4?|lfp)\b/],
  ["lead", /\b(lead(-acid)?|agm|gel|flooded|opzs|opzv)\b/],
];

/** A battery in a line: "5 kWh lithium battery", "120 Ah at 12 V", "2 × 100 Ah 12 V batteries"; null where none is named with its size. */
export function batteryOf(line: Line, mark: DecimalMark): Battery | null {
  const size = sizeOf(line, mark);
  if (!size) return null;
  const kind = KINDS.find(([, words]) => line.take(words))?.[0] ?? null;
  line.take(/\bbatter(y|ies)\b/);
  const volts = size.voltageV === null && !size.isMany ? line.take(new RegExp(`(?:at|@|of)\\s*${VOLTS}`)) : null;
  return { kind, capacityKwh: size.capacityKwh, voltageV: size.voltageV ?? positive(volts?.[1], mark) };
}

interface Size extends Pick<Battery, "capacityKwh" | "voltageV"> {
  readonly isMany: boolean;
}

function sizeOf(line: Line, mark: DecimalMark): Size | null {
  const charge = line.take(new RegExp(`${TIMES}${CHARGE}${BETWEEN}${VOLTS}`));
  const turned = charge ? null : line.take(new RegExp(`${TIMES}${VOLTS}\\s*,?\\s*${CHARGE}`));
  const [count, ah, volts] = charge ? charge.slice(1, 4) : turned ? [turned[1], turned[3], turned[2]] : [];
  const [ampereHours, voltageV] = [positive(ah, mark), positive(volts, mark)];
  if (ampereHours !== null && voltageV !== null) {
    const many = Number(count ?? 1);
    // Several may stand one behind the other: their voltage together is not said.
    return {
      capacityKwh: Number(((many * ampereHours * voltageV) / 1000).toFixed(3)),
      voltageV: many === 1 ? voltageV : null,
      isMany: many > 1,
    };
  }
  const energy = line.take(new RegExp(`${TIMES}${NUMBER}\\s*kwh\\b(?:${BETWEEN}${VOLTS})?`));
  const kwh = positive(energy?.[2], mark);
  const many = Number(energy?.[1] ?? 1);
  return energy && kwh !== null ? { capacityKwh: many * kwh, voltageV: positive(energy[3], mark), isMany: many > 1 } : null;
}
