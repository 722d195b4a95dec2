// Gives an owner a new PIN that nobody can guess, signs them out everywhere and forgets their wrong tries; says the PIN.
import pg from 'pg';
import { hashPin, unguessedPin } from '../apps/server/dist/auth/pin.js';

const name = process.argv[2] ?? '';
const client = new pg.Client({ connectionString: process.env.DATABASE_URL, connectionTimeoutMillis: 5000 });
const fail = (says) => {
  console.error(`jubb: ${says}`);
  process.exitCode = 1;
};
try {
  await client.connect();
  const { rows } = await client.query(
    `SELECT id, name FROM person WHERE role = 'owner' AND left_at IS NULL ORDER BY name`,
  );
  const found = name === '' ? rows : rows.filter((r) => r.name === name);
  if (found.length !== 1) {
    const names = rows.map((r) => `"${r.name}"`).join(', ');
    fail(name === '' ? `say which owner: ${names}` : `"${name}" is no owner here; owners are ${names}`);
  } else {
    const [owner] = found;
    const pin = unguessedPin();
    await client.query('BEGIN');
    await client.query(`UPDATE person SET pin_hash = $1 WHERE id = $2`, [await hashPin(pin), owner.id]);
    await client.query(`UPDATE session SET ended_at = now() WHERE person_id = $1 AND ended_at IS NULL`, [owner.id]);
    await client.query(`DELETE FROM sign_in_try WHERE key LIKE $1`, [`% ${owner.id}`]);
    await client.query(`INSERT INTO shop_change (by_name, what, is_now) VALUES ('the machine', $1, 'made new')`, [
      `${owner.name}: PIN`,
    ]);
    await client.query('COMMIT');
    console.log(`${owner.name} signs in with ${pin} now. Change it: press your initials, Change my PIN.`);
  }
} catch (e) {
  fail(`the database does not answer: ${e.message || e.code}`);
} finally {
  await client.end().catch((e) => fail(e.message));
}
