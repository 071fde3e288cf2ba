import { LibraryScreen } from "@/ui/library/library-screen";

export default function Page() {
  return <LibraryScreen />;
}
