import type { UseFormReturnType } from "@mantine/form";
import { type SiteDocument, siteSchema } from "@/contracts/site";
import { say } from "@/wording/screens/site";

type ModuleFields = SiteDocument["modules"][string];

/** The site document as a form edits it: module types as a list, since their names are edited too. */
export type SiteValues = Omit<SiteDocument, "modules"> & { moduleTypes: (ModuleFields & { key: string })[] };

export type SiteForm = UseFormReturnType<SiteValues>;

export const toValues = ({ modules, ...rest }: SiteDocument): SiteValues => ({
  ...rest,
  moduleTypes: Object.entries(modules).map(([key, fields]) => ({ ...fields, key })),
});

export const toDocument = ({ moduleTypes, ...rest }: SiteValues): unknown => ({
  ...rest,
  modules: Object.fromEntries(moduleTypes.map(({ key, ...fields }) => [key, fields])),
});

/** Errors by form path, from the same schema that the route and the file use. */
export function validateSite(values: SiteValues): Record<string, string> {
  const parsed = siteSchema.safeParse(toDocument(values));
  if (parsed.success) return {};
  const keys = values.moduleTypes.map((type) => type.key);
  const errors: Record<string, string> = {};
  for (const issue of parsed.error.issues) {
    const [head, key, ...rest] = issue.path;
    const path = head === "modules" && key !== undefined ? ["moduleTypes", keys.indexOf(String(key)), ...rest] : issue.path;
    errors[path.join(".")] ??= plain(issue.message);
  }
  return errors;
}

const plain = (message: string): string => (message.startsWith("Invalid input") ? say.writeANumberHere : message);

/** A form whose fields are known by their paths alone. */
interface PathForm {
  setFieldValue(path: string, value: unknown): void;
  removeListItem(path: string, index: number): void;
}
const byPath = (form: SiteForm): PathForm => form;

/** Writes the field at a path that is put together at run time; the site's schema checks what comes out. */
export const setAt = (form: SiteForm, path: string, value: unknown): void => byPath(form).setFieldValue(path, value);

/** Takes an item out of the list at a path that is put together at run time. */
export const removeAt = (form: SiteForm, path: string, index: number): void => byPath(form).removeListItem(path, index);
