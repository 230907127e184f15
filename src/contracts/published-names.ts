/**
 * Field names of the printed JSON, version 1: programs of our users read them, so they stay when a term of the code gets better. The next
 * version of the form has names of its own.
 */
const PUBLISHED: Readonly<Record<string, string>> = {
  azimuthOffsetDeg: "turnDeg",
  azimuthOffsetLowDeg: "turnLowDeg",
  azimuthOffsetHighDeg: "turnHighDeg",
  tiltOffsetDeg: "steeperDeg",
  tiltOffsetLowDeg: "steeperLowDeg",
  tiltOffsetHighDeg: "steeperHighDeg",
  planeOffset: "turn",
  fitted: "laws",
  dataGapKwh: "unreadKwh",
  unexplainedKwh: "remainderKwh",
  plannedUnexplainedKwh: "budgetRemainderKwh",
  explainedDataGapKwh: "explainedUnreadKwh",
  plannedKwh: "budgetKwh",
  plannedPerYearFrac: "budgetPerYearFrac",
  plannedFrac: "budgetFrac",
  foundKwh: "actualKwh",
  methods: "schools",
  method: "school",
};

/** Names that mean something else elsewhere, by the field that holds their object. */
const PUBLISHED_WITHIN: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  parts: { source: "told" },
  fitted: { retained: "kept" },
};

const publishedName = (name: string, holder: string): string => PUBLISHED_WITHIN[holder]?.[name] ?? PUBLISHED[name] ?? name;

/** The same value with its fields named as published. `holder` is the field that holds it. */
export function published(value: unknown, holder = ""): unknown {
  if (Array.isArray(value)) return value.map((item) => published(item, holder));
  if (value === null || typeof value !== "object" || value instanceof Date || ArrayBuffer.isView(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([name, field]) => [publishedName(name, holder), published(field, name)]));
}

/** Words of a JSON Schema that hold the form of the field above them. */
const SCHEMA_WORDS = new Set(["items", "properties", "anyOf"]);

/** The schema of what is printed, from the schema of what the code holds. */
export function publishedSchema(schema: unknown, holder = ""): unknown {
  if (Array.isArray(schema)) return schema.map((item) => publishedSchema(item, holder));
  if (schema === null || typeof schema !== "object") return schema;
  return Object.fromEntries(
    Object.entries(schema).map(([name, field]) => {
      if (name === "required" && Array.isArray(field)) return [name, field.map((each: string) => publishedName(each, holder))];
      return [publishedName(name, holder), publishedSchema(field, SCHEMA_WORDS.has(name) ? holder : name)];
    }),
  );
}
