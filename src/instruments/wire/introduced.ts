import { t } from "@/core/words/words";
import { identityOf } from "./scpi";
import type { Talk } from "./talk";

/**
 * Makes an instrument take orders, and asks who it is.
 * @param unknown what it is called where it does not say
 * @throws Error with a sentence where nothing answers
 */
export async function introduced(
  talk: Talk,
  { remote, identify }: { remote: string; identify: string },
  unknown: string,
): Promise<string> {
  try {
    if (remote) await talk.tell(remote);
    if (!identify) return unknown;
    const said = await talk.ask(identify);
    const who = identityOf(said);
    return who ? `${who.maker} ${who.model}` : said.slice(0, 40);
  } catch (error) {
    throw new Error(
      t`Nothing answered. Is it switched on, is its interface on, and is the speed (baud) the same on both?`,
      { cause: error },
    );
  }
}
