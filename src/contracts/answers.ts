import { z } from "zod";
import { billSchema } from "./bills";
import { problemSchema } from "./problems";
import { siteSchema } from "./site";

/** What routes answer where nothing else names it. */
export const bookAnswerSchema = z.strictObject({ version: z.int().positive(), site: siteSchema });
export const savedSiteSchema = z.strictObject({ version: z.int().positive() });
export const openedBookSchema = z.strictObject({ slug: z.string() });
export const readBillsSchema = z.strictObject({ bills: z.array(billSchema), problems: z.array(problemSchema) });
