import { describe, expect, it } from "vitest";
import { townsIn } from "./town-file";

const line = (...cells: (string | number)[]): string => cells.join("\t");
const LIST = Buffer.from(
  `\n${[
    line("new harrow", "New Harrow", "US", "40.700", "-74.000", 8_000_000),
    line("harrow", "Harrow", "GB", "51.500", "-0.300", 200_000),
    line("harrow dale", "Hárrow Dale", "AU", "-33.100", "147.200", 4000),
    line("harrow", "Harrow", "US", "42.000", "-83.000", 3000),
  ].join("\n")}\n`,
);
const names = (question: string): string[] => townsIn(LIST, question).map(({ name, country }) => `${name} ${country}`);

describe("towns by their letters", () => {
  it("come by the beginning of their names, the largest first, then by a later word", () => {
    expect(names("harr")).toEqual(["Harrow GB", "Hárrow Dale AU", "Harrow US", "New Harrow US"]);
  });

  it("are found without marks, and of one country where it is named", () => {
    expect(names("HÁRROW d")).toEqual(["Hárrow Dale AU"]);
    expect(names("harrow, us")).toEqual(["Harrow US", "New Harrow US"]);
    expect(names("harrow, United St")).toEqual(["Harrow US", "New Harrow US"]);
  });

  it("are none for too little, and where they lie stands with them", () => {
    expect(names("h")).toEqual([]);
    expect(names("42")).toEqual([]);
    expect(townsIn(LIST, "harrow dale")[0]).toMatchObject({ latitudeDeg: -33.1, longitudeDeg: 147.2 });
  });
});
