import { ANSWERS, type EnergyBasisKind, mayBeSaid, PLANT_BASES, TARIFF_BASES, WEATHER_BASES } from "@/core/basis";
import { ANSWER_NAMES, BRING_WORDS, PERMISSION_WORDS, PLANT_NAMES, TARIFF_NAMES, WEATHER_NAMES } from "@/wording/basis";

const row = (cells: readonly string[]): string => `| ${cells.join(" | ")} |`;

/** Answers that hang on light and readings. */
const OF_LIGHT = ANSWERS.filter((answer) => answer !== "savings" && answer !== "string-limits");

const words = ({ permission, bring }: ReturnType<typeof mayBeSaid>): string =>
  permission !== "yes" && bring ? `${PERMISSION_WORDS[permission]}. ${BRING_WORDS[bring]}` : PERMISSION_WORDS[permission];

const table = (energy: EnergyBasisKind): string =>
  [
    row(["Light", ...OF_LIGHT.map((answer) => ANSWER_NAMES[answer])]),
    row(["---", ...OF_LIGHT.map(() => "---")]),
    ...WEATHER_BASES.map((weather) =>
      row([
        WEATHER_NAMES[weather],
        ...OF_LIGHT.map((answer) => {
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

## By what is known of the plant

${[
  row(["Plant", ...["expected-this-time", "causes", "string-limits"].map((answer) => ANSWER_NAMES[answer as "causes"])]),
  row(["---", "---", "---", "---"]),
  ...PLANT_BASES.map((plant) =>
    row([
      PLANT_NAMES[plant],
      ...(["expected-this-time", "causes", "string-limits"] as const).map((answer) =>
        words(mayBeSaid(answer, { weather: "measured", energy: "intervals", plant })),
      ),
    ]),
  ),
].join("\n")}

## By what is known of the tariff

${[
  row(["Tariff", ANSWER_NAMES.savings]),
  row(["---", "---"]),
  ...TARIFF_BASES.map((tariff) => row([TARIFF_NAMES[tariff], words(mayBeSaid("savings", { weather: "none", energy: "bills", tariff }))])),
].join("\n")}
`;
