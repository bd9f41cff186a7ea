/**
 * A table of the database, its columns listed once: the Sequelize model of vocabulary and settings is made from it, the rows of set-based SQL
 * take their types from it, and a test holds it against what the migrations made.
 */
import {
  DataTypes,
  type DataType,
  type Model,
  type ModelAttributes,
  type ModelStatic,
  type Sequelize,
  type Transaction,
  type WhereOptions,
} from 'sequelize';
import { asOurs, db, type Tx } from './db';

declare const VALUE: unique symbol;
declare const MADE: unique symbol;

/** A column: what a row has there; `Made` when PostgreSQL fills it in where nothing is given. */
export interface TableColumn<Value, Made extends boolean = false> {
  readonly [VALUE]?: Value;
  readonly [MADE]?: Made;
  /** As `information_schema` calls it. */
  readonly sqlType: string;
  readonly type: DataType;
  readonly nullable: boolean;
  readonly made: boolean;
  readonly key: boolean;
}

const column = <Value>(sqlType: string, type: DataType): TableColumn<Value> => ({
  sqlType,
  type,
  nullable: false,
  made: false,
  key: false,
});

/** An id, or a number too large to be exact as one; comes as its digits. */
export const bigint = (): TableColumn<string> => column('int8', DataTypes.BIGINT);
export const int = (): TableColumn<number> => column('int4', DataTypes.INTEGER);
export const smallint = (): TableColumn<number> => column('int2', DataTypes.SMALLINT);
export const real = (): TableColumn<number> => column('float4', DataTypes.REAL);
export const double = (): TableColumn<number> => column('float8', DataTypes.DOUBLE);
/** An exact number with decimals; comes as its digits. */
export const numeric = (): TableColumn<string> => column('numeric', DataTypes.DECIMAL);
export const text = <Value extends string = string>(): TableColumn<Value> => column('text', DataTypes.TEXT);
export const varchar = (): TableColumn<string> => column('varchar', DataTypes.STRING);
export const bool = (): TableColumn<boolean> => column('bool', DataTypes.BOOLEAN);
export const instant = (): TableColumn<Date> => column('timestamptz', DataTypes.DATE);
/** A day of the calendar, as `YYYY-MM-DD`. */
export const day = (): TableColumn<string> => column('date', DataTypes.DATEONLY);
export const json = <Value = unknown>(): TableColumn<Value> => column('jsonb', DataTypes.JSONB);
export const bytes = (): TableColumn<Buffer> => column('bytea', DataTypes.BLOB);
export const texts = <Value extends string = string>(): TableColumn<Value[]> => column('_text', DataTypes.ARRAY(DataTypes.TEXT));
export const bigints = (): TableColumn<string[]> => column('_int8', DataTypes.ARRAY(DataTypes.BIGINT));

export const orNull = <Value, Made extends boolean>(of: TableColumn<Value, Made>): TableColumn<Value | null, Made> => ({
  ...of,
  nullable: true,
});
/** Filled in by PostgreSQL where nothing is given. */
export const made = <Value>(of: TableColumn<Value>): TableColumn<Value, true> =>
  ({ ...of, made: true }) as TableColumn<Value, true>;
/** Of the primary key. */
export const key = <Value, Made extends boolean>(of: TableColumn<Value, Made>): TableColumn<Value, Made> => ({
  ...of,
  key: true,
});
export const id = (): TableColumn<string, true> => key(made(bigint()));

type Columns = Record<string, TableColumn<unknown, boolean>>;
type ValueOf<C> = C extends TableColumn<infer Value, boolean> ? Value : never;
/** A row as it is read. */
export type RowOf<T extends { columns: Columns }> = { [Name in keyof T['columns']]: ValueOf<T['columns'][Name]> };
type Given<C extends Columns> = {
  [N in keyof C as C[N] extends TableColumn<unknown, true> ? never : null extends ValueOf<C[N]> ? never : N]: ValueOf<C[N]>;
};
type May<C extends Columns> = {
  [N in keyof C as C[N] extends TableColumn<unknown, true> ? N : null extends ValueOf<C[N]> ? N : never]?: ValueOf<C[N]>;
};
/** A row as it is written: what may be null, or is filled in, may be left out. */
export type NewRow<T extends { columns: Columns }> = Given<T['columns']> & May<T['columns']>;

export type Where<T extends { columns: Columns }> = WhereOptions<RowOf<T>>;
type Order<C extends Columns> = (keyof C & string)[];

/** What is asked of a table and written into it row by row; sets of rows are SQL's, in the repositories. In a transaction where one is given. */
export interface Table<C extends Columns = Columns> {
  readonly name: string;
  readonly columns: C;
  /** The Sequelize model on today's connection pool. */
  model(): ModelStatic<Model<RowOf<{ columns: C }>, NewRow<{ columns: C }>>>;
  find(where: Where<{ columns: C }>, tx?: Tx): Promise<RowOf<{ columns: C }> | null>;
  /** The row, which nobody else changes until the transaction ends. */
  lock(where: Where<{ columns: C }>, tx: Tx): Promise<RowOf<{ columns: C }> | null>;
  list(where: Where<{ columns: C }>, order: Order<C>, tx?: Tx): Promise<RowOf<{ columns: C }>[]>;
  count(where: Where<{ columns: C }>, tx?: Tx): Promise<number>;
  /** @returns the row with what PostgreSQL filled in @throws AppError conflict for what must be one of a kind */
  insert(row: NewRow<{ columns: C }>, tx?: Tx): Promise<RowOf<{ columns: C }>>;
  /** The same, or what there is by its primary key as it is given. */
  put(row: NewRow<{ columns: C }>, tx?: Tx): Promise<void>;
  /** What is undefined stays as it is. @returns how many rows there were */
  update(patch: Partial<RowOf<{ columns: C }>>, where: Where<{ columns: C }>, tx?: Tx): Promise<number>;
  /** @returns how many rows there were */
  remove(where: Where<{ columns: C }>, tx?: Tx): Promise<number>;
}

const tables = new Map<string, Table>();
/** Every table that was stated so far, by its name. */
export const statedTables = (): ReadonlyMap<string, Table> => tables;

/** States a table. @param name in the database @param columns in its order */
export function table<C extends Columns>(name: string, columns: C): Table<C> {
  type Row = RowOf<{ columns: C }>;
  const models = new WeakMap<Sequelize, ReturnType<Table<C>['model']>>();
  const stated: Table<C> = {
    name,
    columns,
    model() {
      const sequelize = db();
      const known = models.get(sequelize);
      if (known) return known;
      const model = sequelize.define(name, attributesOf(columns), {
        tableName: name,
        timestamps: false,
      }) as unknown as ReturnType<Table<C>['model']>;
      models.set(sequelize, model);
      return model;
    },
    find: (where, tx) => asOurs(stated.model().findOne({ where, raw: true, ...within(tx) })) as Promise<Row | null>,
    lock: (where, tx) => asOurs(stated.model().findOne({ where, raw: true, lock: true, ...within(tx) })) as Promise<Row | null>,
    list: (where, order, tx) =>
      asOurs(stated.model().findAll({ where, order: [...order], raw: true, ...within(tx) })) as Promise<Row[]>,
    count: (where, tx) => asOurs(stated.model().count({ where, ...within(tx) })),
    insert: async (row, tx) =>
      (await asOurs(stated.model().create(row as never, { returning: true, ...within(tx) }))).get({ plain: true }),
    put: async (row, tx) => {
      await asOurs(stated.model().upsert(row as never, within(tx)));
    },
    update: async (patch, where, tx) => {
      if (Object.values(patch).every((value) => value === undefined)) return stated.count(where, tx);
      return (await asOurs(stated.model().update(patch as never, { where, ...within(tx) })))[0];
    },
    remove: (where, tx) => asOurs(stated.model().destroy({ where, ...within(tx) })),
  };
  tables.set(name, stated);
  return stated;
}

const within = (tx: Tx | undefined): { transaction?: Transaction } => (tx?.transaction ? { transaction: tx.transaction } : {});

/** What PostgreSQL fills in may be absent from what is created, and is read back. */
const attributesOf = (columns: Columns): ModelAttributes =>
  Object.fromEntries(
    Object.entries(columns).map(([name, { type, nullable, made: filled, key: primary }]) => [
      name,
      { type, allowNull: nullable || filled, primaryKey: primary, autoIncrement: primary && filled && name === 'id' },
    ]),
  );
