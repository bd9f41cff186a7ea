/** How long somebody waits after wrong logins: each time twice as long, up to a limit, and never because of what others tried. */

/** Wrong tries that are free, and the longest wait in seconds. */
export interface DelayRule {
  free: number;
  mostSeconds: number;
}

/** From one address for one account: somebody who forgot a password, or guesses one. */
export const ONE_ACCOUNT: DelayRule = { free: 5, mostSeconds: 300 };
/** From one address for any accounts. */
export const ONE_ADDRESS: DelayRule = { free: 30, mostSeconds: 900 };
/** For one account from any addresses: its owner must always get in, so the answer only comes later. */
export const FROM_ANYWHERE: DelayRule = { free: 20, mostSeconds: 4 };

/** Seconds to wait after so many wrong tries. */
export const waitAfter = (failures: number, { free, mostSeconds }: DelayRule): number =>
  failures < free ? 0 : Math.min(mostSeconds, 2 ** Math.min(30, failures - free));
