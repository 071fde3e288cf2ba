import { SettingsScreen } from "@/ui/settings/settings-screen";

export default function Page() {
  return <SettingsScreen />;
}
