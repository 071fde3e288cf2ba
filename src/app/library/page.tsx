import { LibraryRoom } from "@/ui/library/library-room";

export default function Page() {
  return <LibraryRoom />;
}
