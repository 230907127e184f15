/** The views of the readings chapter, in the order in which people work. */
export const READINGS_VIEWS = [
  { id: "bring", name: "Bring in" },
  { id: "type", name: "Type in" },
  { id: "feeds", name: "Feeds" },
  { id: "findings", name: "Findings" },
  { id: "record", name: "Record" },
] as const;
export type ReadingsView = (typeof READINGS_VIEWS)[number]["id"];
