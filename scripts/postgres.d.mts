export interface Postgres {
  owner: string;
  app: string;
  role: string;
  superuser: string;
  stop: () => Promise<void>;
}
export function startPostgres(o?: { durable?: boolean }): Promise<Postgres>;
export function ensurePostgres(): void;
