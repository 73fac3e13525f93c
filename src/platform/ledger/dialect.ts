import {
  PostgresDialect,
  type CompiledQuery,
  type DatabaseConnection,
  type Driver,
  type QueryResult,
  type TransactionSettings,
} from 'kysely';
import { askOf, sealTransaction } from './seal';

const WRITES = /^\s*(insert|update|delete|merge)\b|^\s*with\b.*\b(insert|update|delete)\b/is;

/** A connection whose single statements are transactions of their own, so that they are sealed as well. */
class SealedConnection implements DatabaseConnection {
  inTransaction = false;

  constructor(
    readonly plain: DatabaseConnection,
    private readonly driver: SealingDriver,
  ) {}

  async executeQuery<R>(query: CompiledQuery): Promise<QueryResult<R>> {
    if (this.inTransaction || !WRITES.test(query.sql)) return this.plain.executeQuery<R>(query);
    await this.driver.beginTransaction(this, {});
    try {
      const result = await this.plain.executeQuery<R>(query);
      await this.driver.commitTransaction(this);
      return result;
    } catch (error) {
      await this.driver.rollbackTransaction(this);
      throw error;
    }
  }

  streamQuery<R>(query: CompiledQuery, chunkSize?: number) {
    return this.plain.streamQuery<R>(query, chunkSize);
  }
}

/** The driver below, but no transaction ends without its changes in the ledger. */
class SealingDriver implements Driver {
  private readonly known = new WeakMap<DatabaseConnection, SealedConnection>();

  constructor(private readonly inner: Driver) {}

  init = () => this.inner.init();
  destroy = () => this.inner.destroy();

  async acquireConnection(): Promise<DatabaseConnection> {
    const plain = await this.inner.acquireConnection();
    const sealed = this.known.get(plain) ?? new SealedConnection(plain, this);
    this.known.set(plain, sealed);
    return sealed;
  }

  async beginTransaction(connection: DatabaseConnection, settings: TransactionSettings) {
    const sealed = connection as SealedConnection;
    await this.inner.beginTransaction(sealed.plain, settings);
    sealed.inTransaction = true;
  }

  async commitTransaction(connection: DatabaseConnection) {
    const sealed = connection as SealedConnection;
    await sealTransaction(askOf(sealed.plain));
    await this.inner.commitTransaction(sealed.plain);
    sealed.inTransaction = false;
  }

  async rollbackTransaction(connection: DatabaseConnection) {
    const sealed = connection as SealedConnection;
    sealed.inTransaction = false;
    await this.inner.rollbackTransaction(sealed.plain);
  }

  releaseConnection = (connection: DatabaseConnection) =>
    this.inner.releaseConnection((connection as SealedConnection).plain);
}

/** PostgreSQL with a ledger: whatever code writes, in a transaction or not, is sealed when it is committed. */
export class LedgerDialect extends PostgresDialect {
  override createDriver(): Driver {
    return new SealingDriver(super.createDriver());
  }
}
