import * as z from "zod/mini";
import { MOST_CODES } from "../codes/code";
import { typedText } from "../units/typed-text";
import { recentWorkIds } from "./recent-works";
import { symptomIds } from "./symptoms/symptoms";

/** What was said before anything was measured. */
export const complaintSchema = z.object({
  presence: z._default(z.enum(["hard", "intermittent"]), "hard"),
  codes: z._default(z.array(typedText("code")).check(z.maxLength(MOST_CODES)), []),
  symptoms: z._default(z.array(z.enum(symptomIds)), []),
  recentWork: z._default(z.array(z.enum(recentWorkIds)), []),
  note: z.optional(typedText("note")),
});
export type Complaint = z.infer<typeof complaintSchema>;
