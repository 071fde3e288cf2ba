import { ReckonerScreen } from "@/ui/reckoner/reckoner-screen";

export default function Page() {
  return <ReckonerScreen />;
}
