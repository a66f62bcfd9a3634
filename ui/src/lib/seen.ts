/** The present by the device's clock, to the second: when something is written down. */
export const seenNow = (): string => new Date().toISOString().replace(/\.\d+/, '');
