import { scopeDialectSchema, usualScopeDialect, type ScopeDialect } from "@/instruments/scope/scope-dialect";
import { keepText, keptJson } from "./small-texts";

const KEY = "tastatura-scope";

/** How an oscilloscope was joined last on this machine; the usual set-up where nothing was kept. */
export function keptScopeDialect(): ScopeDialect {
  const parsed = scopeDialectSchema.safeParse(keptJson(KEY));
  return parsed.success ? parsed.data : usualScopeDialect;
}

/** @returns false where it will be gone once the page closes */
export function keepScopeDialect(dialect: ScopeDialect): boolean {
  return keepText(KEY, JSON.stringify(dialect));
}
