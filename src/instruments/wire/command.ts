import * as z from "zod/mini";

/** One order or question of a dialect: plain signs, as they go over the wire. */
export const commandSchema = z.string().check(z.maxLength(80), z.regex(/^[\x20-\x7e]*$/));
/** Speed of a serial line. */
export const baudSchema = z.number().check(z.int(), z.gte(300), z.lte(2_000_000));
