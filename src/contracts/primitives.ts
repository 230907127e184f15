import { z } from "zod";

export const frac = z.number().min(0, "a share lies between 0 and 1").max(1, "a share lies between 0 and 1: write 2 % as 0.02");
export const isoDate = z.iso.date("write a date as 2019-04-01");
export const dayOfYearSchema = z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, "write a day of the year as 03-20 (month-day)");
export const identifier = z.string().trim().min(1, "can't be empty").max(60);
/** Money is a decimal numeral, so that no binary rounding ever enters a stored sum. */
export const decimalAmount = z.string().regex(/^-?\d{1,12}(\.\d{1,8})?$/, 'write money as a decimal numeral in quotes, such as "61000.00"');
export const price = z.string().regex(/^\d{1,6}(\.\d{1,8})?$/, 'write a price as a decimal numeral in quotes, such as "0.178"');
