import { sharesByPart, type Posterior } from "../belief/posterior";
import { isOfTheCar } from "../checks/of-the-car";
import { SHARED, type CornerParts } from "./car-parts";

/**
 * Shares of what all corners share by the complaint and by what is the same for the whole car (battery, module pins, how
 * the other corners do): each corner has them in its log, and they count once. The rest of a log is the corner's own word.
 */
export function commonShares(posterior: Pick<Posterior, "hypotheses" | "initial" | "log">): CornerParts["common"] {
  const shares = posterior.initial.slice();
  for (const { observation, byHypothesis } of posterior.log)
    if (isOfTheCar(observation.hookup)) byHypothesis.forEach((ratio, h) => (shares[h]! *= ratio));
  const total = shares.reduce((sum, share) => sum + share, 0);
  const byPart = sharesByPart(posterior, shares);
  return Object.fromEntries(SHARED.map((part) => [part, (byPart.get(part) ?? 0) / total]));
}
