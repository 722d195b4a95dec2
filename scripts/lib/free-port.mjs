// Prints a port on loopback that nothing uses now.
import { createServer } from 'node:net';

const s = createServer().listen(0, '127.0.0.1', () => {
  console.log(s.address().port);
  s.close();
});
