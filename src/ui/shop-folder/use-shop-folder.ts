"use client";
import { errorWords } from "@/core/words/error-words";
import { proxy } from "comlink";
import { useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { chooseShopFolder, leaveShopFolder, shopFolder, type ShopFolder } from "@/store/kept-folder";
import { storeJournaled } from "@/store/jobs";
import { folderWorker } from "../query/workers";

/** How the shop's folder stands. A browser lets a page into a folder again only when a person says so. */
export type FolderState =
  | { kind: "none" }
  | { kind: "asks"; name: string }
  | { kind: "failed"; name: string; why: string }
  | { kind: "joined"; name: string; last: ShopFolder["last"] };

const KEY = ["shop-folder"];
const PROGRESS_KEY = ["shop-folder", "progress"];
/** How often the folder is looked at while the page is in sight. */
const EVERY_MS = 10_000;

/** What a browser with access to folders has beyond the platform's own types. */
interface Permitted {
  queryPermission?: (how: { mode: "readwrite" }) => Promise<PermissionState>;
  requestPermission?: (how: { mode: "readwrite" }) => Promise<PermissionState>;
}
interface Picks {
  showDirectoryPicker?: (how: { mode: "readwrite"; id: string }) => Promise<FileSystemDirectoryHandle>;
}

/** Keeps the shop's folder and this browser in step, and says how it stands. */
export function useShopFolder() {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: KEY,
    queryFn: () => inStep(client),
    refetchInterval: (query) => (query.state.data?.kind === "none" ? false : EVERY_MS),
    staleTime: EVERY_MS / 2,
  });
  const { data: progress } = useQuery<{ done: number; of: number } | null>({
    queryKey: PROGRESS_KEY,
    queryFn: () => null,
    initialData: null,
  });
  const again = () => client.invalidateQueries({ queryKey: KEY, exact: true });
  return {
    state: data ?? null,
    progress,
    canChoose: typeof window !== "undefined" && "showDirectoryPicker" in window,
    /** @throws DOMException where the person chose none, or the browser refuses */
    choose: async () => {
      const handle = await (window as Picks).showDirectoryPicker!({ mode: "readwrite", id: "tastatura" });
      await chooseShopFolder(handle);
      await again();
    },
    openAgain: async () => {
      const kept = await shopFolder();
      await (kept?.handle as Permitted | undefined)?.requestPermission?.({ mode: "readwrite" });
      await again();
    },
    look: again,
    leave: async () => {
      await leaveShopFolder();
      await again();
    },
  };
}

async function inStep(client: QueryClient): Promise<FolderState> {
  const kept = await shopFolder();
  if (!kept) return { kind: "none" };
  const { name } = kept.handle;
  const may = await (kept.handle as Permitted).queryPermission?.({ mode: "readwrite" });
  if (may !== undefined && may !== "granted") return { kind: "asks", name };
  // What it tells may come in after its answer.
  let atIt = true;
  const tell = proxy((done: number, of: number) => {
    if (atIt) client.setQueryData(PROGRESS_KEY, { done, of });
  });
  try {
    await storeJournaled();
    const last = await folderWorker.ask((remote) => remote.sync(tell));
    return { kind: "joined", name, last: last ?? kept.last };
  } catch (error) {
    return { kind: "failed", name, why: errorWords(error) };
  } finally {
    atIt = false;
    client.setQueryData(PROGRESS_KEY, null);
  }
}
