import { ANSWERS, type EnergyBasisKind, mayBeSaid, WEATHER_BASES } from "@/core/basis";
import { ANSWER_NAMES, BRING_WORDS, PERMISSION_WORDS, WEATHER_NAMES } from "@/wording/basis";

const row = (cells: readonly string[]): string => `| ${cells.join(" | ")} |`;

const table = (energy: EnergyBasisKind): string =>
  [
    row(["Light", ...ANSWERS.map((answer) => ANSWER_NAMES[answer])]),
    row(["---", ...ANSWERS.map(() => "---")]),
    ...WEATHER_BASES.map((weather) =>
      row([
        WEATHER_NAMES[weather],
        ...ANSWERS.map((answer) => {
          const { permission, bring } = mayBeSaid(answer, { weather, energy });
          return permission === "withheld" && bring ? `${PERMISSION_WORDS.withheld}. ${BRING_WORDS[bring]}` : PERMISSION_WORDS[permission];
        }),
      ]),
    ),
  ].join("\n");

/** What may be said on which basis, as a page, made from the table that the program itself asks. */
export const basisPage = (): string => `# What may be said on which basis

Made by \`npm run basis\` from the table that the program itself asks (\`src/core/basis\`). A book holds what its owner has; no sentence claims more than the weakest part of it can carry. Light
that was made (a typical year put into a real one, twelve monthly means, a climate) is marked when it comes in: what it gives is *of a usual year*, no reading is held against it, and it never
moves a cause, a ratio, a rate of ageing or a verdict. Where measured light comes later, it takes its place.

## With readings by the day or finer

${table("intervals")}

## With monthly totals or bills

${table("months")}

## With no readings

${table("none")}
`;
