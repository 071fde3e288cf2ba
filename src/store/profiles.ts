import { profileSchema, type Profile } from "../core/job-file/profile";
import { shelf } from "./shelf";

const profiles = shelf("profiles");

/** Every car profile kept here, by name; what cannot be read is left where it is. */
export async function listProfiles(): Promise<Profile[]> {
  const found: Profile[] = [];
  await profiles.iterate((value: unknown) => {
    const parsed = profileSchema.safeParse(value);
    if (parsed.success) found.push(parsed.data);
  });
  return found.sort((a, b) => a.name.localeCompare(b.name));
}

export async function saveProfile(profile: Profile): Promise<void> {
  await profiles.setItem(profile.id, profile);
}
