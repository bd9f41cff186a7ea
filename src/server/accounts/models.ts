/** Sequelize models of people, sessions and keys, defined once per connection pool. */
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type ModelStatic,
} from 'sequelize';
import type { Role } from '@/core/accounts';
import { db } from '../shared';

export class UserModel extends Model<InferAttributes<UserModel>, InferCreationAttributes<UserModel>> {
  declare id: CreationOptional<string>;
  declare accountId: string;
  declare officeId: string | null;
  declare role: Role;
  declare firstName: string;
  declare lastName: string;
  declare email: string;
  declare phone: string | null;
  declare timeZone: string;
  declare passwordHash: string;
  declare dayGoal: CreationOptional<number>;
  declare awayUntil: Date | null;
  declare active: CreationOptional<boolean>;
}

export class Session extends Model<InferAttributes<Session>, InferCreationAttributes<Session>> {
  declare tokenHash: Buffer;
  declare userId: string;
  declare expiresAt: Date;
}

/** Sequelize writes into what it is given, so every attribute gets an object of its own. */
const bigint = () => ({ type: DataTypes.BIGINT });
const id = () => ({ type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true });
const defined = new WeakMap<object, { User: ModelStatic<UserModel>; Session: ModelStatic<Session> }>();

/** The models on today's connection pool. */
export function models() {
  const sequelize = db();
  const known = defined.get(sequelize);
  if (known) return known;
  const options = { sequelize, underscored: true, timestamps: false } as const;
  const made = {
    User: UserModel.init(
      {
        id: id(),
        accountId: bigint(),
        officeId: bigint(),
        role: DataTypes.TEXT,
        firstName: DataTypes.TEXT,
        lastName: DataTypes.TEXT,
        email: DataTypes.TEXT,
        phone: DataTypes.TEXT,
        timeZone: DataTypes.TEXT,
        passwordHash: DataTypes.TEXT,
        dayGoal: { type: DataTypes.INTEGER, defaultValue: 30 },
        awayUntil: DataTypes.DATE,
        active: { type: DataTypes.BOOLEAN, defaultValue: true },
      },
      { ...options, tableName: 'users' },
    ),
    Session: Session.init(
      { tokenHash: { type: DataTypes.BLOB, primaryKey: true }, userId: bigint(), expiresAt: DataTypes.DATE },
      { ...options, tableName: 'sessions' },
    ),
  };
  defined.set(sequelize, made);
  return made;
}
