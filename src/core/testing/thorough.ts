/** Whether this is `npm run soak`, which has the time for what is long and seldom fails. */
export const THOROUGH = Boolean(process.env.IVYLOOM_SOAK);

/** How many cases a property is tried with: five times the usual number in the soak. */
export const runs = (usual: number): number => (THOROUGH ? 5 * usual : usual);
