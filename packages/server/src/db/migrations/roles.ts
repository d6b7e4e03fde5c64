import type { QueryRunner } from 'typeorm';

/** Setting by which a migration is told the application's role. */
export const ROLE_SETTING = 'bluffwind.app_role';

async function roleSet(run: QueryRunner): Promise<string> {
  const [row] = await run.query(`select coalesce(nullif(current_setting('${ROLE_SETTING}', true), ''), 'bluffwind_app') as role`);
  return row.role;
}

/** The application's role, quoted. */
export async function appRole(run: QueryRunner): Promise<string> {
  const [row] = await run.query('select quote_ident($1) as name', [await roleSet(run)]);
  return row.name;
}

/**
 * The role that owns the look-ups before sign-in, quoted; it cannot sign in. It is made here where the owner of the tables may make
 * roles; otherwise who sets up the database makes it beforehand. Throws an Error that says how.
 */
export async function gateRole(run: QueryRunner): Promise<string> {
  const [{ name, quoted }] = await run.query(`select $1 as name, quote_ident($1) as quoted`, [`${await roleSet(run)}_gate`]);
  const [{ there, may, member }] = await run.query(
    `select exists (select from pg_roles where rolname = $1) as there,
       (select rolcreaterole or rolsuper from pg_roles where rolname = current_user) as may,
       coalesce((select pg_has_role(current_user, oid, 'member') from pg_roles where rolname = $1), false) as member`,
    [name],
  );
  if (!there && !may)
    throw new Error(
      `The database role ${name} is missing. Let an administrator of the database run: create role ${quoted} nologin; grant ${quoted} to current_user (as the owner of the tables).`,
    );
  if (!there) await run.query(`create role ${quoted} nologin`);
  if (!member) await run.query(`grant ${quoted} to current_user`);
  return quoted;
}
