export interface Postgres {
  owner: string;
  app: string;
  role: string;
  superuser: string;
  /** The server falls, and is started again on what it had. */
  halt: () => Promise<void>;
  again: () => Promise<void>;
  /** It goes, with its folder. */
  stop: () => Promise<void>;
}
export function startPostgres(o?: { durable?: boolean }): Promise<Postgres>;
export function ensurePostgres(): void;
