import { useLocalStorage } from "@mantine/hooks";
import type { z } from "zod";

/** What a text in the browser's store was, where it still fits; else `otherwise`: an older edition may have kept something else, and anybody may have changed it. */
export function keptAs<T>(schema: z.ZodType<T>, otherwise: T, text: string | undefined): T {
  try {
    return schema.parse(JSON.parse(text ?? "null"));
  } catch {
    return otherwise;
  }
}

/** What somebody typed, kept in this browser alone and read by its schema. */
export const useKept = <T>(key: string, schema: z.ZodType<T>, otherwise: T) =>
  useLocalStorage<T>({ key, defaultValue: otherwise, deserialize: (text) => keptAs(schema, otherwise, text) });
