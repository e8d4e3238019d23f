import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';

/** A table whose instances are its rows; use cases read them `raw`. */
export type Table<Row extends object> = ModelStatic<Model<Row, Partial<Row>> & Row>;

/** Column types by attribute name; `!` marks the primary key. Columns are the attribute in snake case. */
export type Columns<Row> = { [Name in keyof Required<Row>]: DataTypes.DataType | [DataTypes.DataType, 'key'] };

/** Defines a table by its columns. */
function table<Row extends object>(sequelize: Sequelize, name: string, columns: Columns<Row>): Table<Row> {
  const attributes = Object.fromEntries(
    Object.entries(columns).map(([attribute, type]) => [
      attribute,
      Array.isArray(type) ? { type: type[0], primaryKey: true, autoIncrement: type[0] === DataTypes.BIGINT } : { type },
    ]),
  );
  return sequelize.define(name, attributes as ModelAttributes, {
    tableName: name,
    underscored: true,
    timestamps: false,
  }) as unknown as Table<Row>;
}

/** Defines tables of one database. */
export type Define = <Row extends object>(name: string, columns: Columns<Row>) => Table<Row>;

export function defineIn(sequelize: Sequelize): Define {
  return (name, columns) => table(sequelize, name, columns);
}

/** A column of the primary key. */
export const KEY: [DataTypes.DataType, 'key'] = [DataTypes.STRING, 'key'];
