import * as z from "zod/mini";
import { recentWorkIds } from "./recent-works";
import { symptomIds } from "./symptoms/symptoms";

/** What was said before anything was measured. */
export const complaintSchema = z.object({
  presence: z._default(z.enum(["hard", "intermittent"]), "hard"),
  codes: z._default(z.array(z.string().check(z.maxLength(40))).check(z.maxLength(40)), []),
  symptoms: z._default(z.array(z.enum(symptomIds)), []),
  recentWork: z._default(z.array(z.enum(recentWorkIds)), []),
  note: z.optional(z.string().check(z.maxLength(4000))),
});
export type Complaint = z.infer<typeof complaintSchema>;
