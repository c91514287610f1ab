/** The folder of Debian's newest PostgreSQL; null where it is not installed. */
export function postgresPrograms(): string | null;
/** Starts a server with nothing in it. `url` names one of its databases; `stop` ends it and leaves nothing behind. */
export function startPostgres(): Promise<{ url: (database?: string) => string; stop: () => Promise<void> }>;
