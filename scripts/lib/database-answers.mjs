// Does the server that DATABASE_URL names answer? One line why not, without the password, and exit 1.
import pg from 'pg';

const client = new pg.Client({ connectionString: process.env.DATABASE_URL, connectionTimeoutMillis: 5000 });
try {
  await client.connect();
  await client.query('SELECT 1');
  await client.end();
} catch (e) {
  const { host, port, database } = client;
  console.error(`jubb: the database ${database} on ${host}:${port} does not answer: ${e.message || e.code}`);
  process.exit(1);
}
