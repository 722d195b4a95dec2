import express from 'express';
import { createHash, X509Certificate } from 'node:crypto';
import { createServer, type Server } from 'node:http';

/** The fingerprint of a certificate as devices show it: SHA-256 of its DER form, in pairs. */
export const fingerprint = (pem: string): string =>
  createHash('sha256').update(new X509Certificate(pem).raw).digest('hex').toUpperCase().match(/../g)!.join(':');

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.codePointAt(0)};`);

/**
 * A plain server beside the closed one: a device that does not know the shop's authority yet finds here how to take it in, and
 * the authority itself. Nothing of the shop but its name is on it; whatever else is asked for is sent on to https.
 * @param port of the closed server
 */
export function guideServer(authority: string, shop: string, port: number): Server {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.set({
      'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'",
      'X-Content-Type-Options': 'nosniff',
      'Cache-Control': 'no-store',
    });
    next();
  });
  app.get('/authority.crt', (_request, response) => {
    response.set('Content-Disposition', 'attachment; filename="jubb-authority.crt"');
    response.type('application/x-x509-ca-cert').send(Buffer.from(authority));
  });
  app.get('/', (request, response) => {
    response.type('html').send(page(shop, fingerprint(authority), `https://${hostOf(request)}:${port}`));
  });
  app.use((request, response) => response.redirect(302, `https://${hostOf(request)}:${port}`));
  return createServer(app);
}

/** Its own name as the asker used it, without the port; nothing that could lead elsewhere. */
const hostOf = (request: express.Request): string =>
  /^(\[[0-9a-f:]+\]|[\w.-]+)(:\d+)?$/i.exec(request.headers.host ?? '')?.[1] ?? 'localhost';

const page = (shop: string, print: string, address: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(shop)}: this device</title>
<style>
body{font:18px/1.5 system-ui,sans-serif;max-width:42rem;margin:0 auto;padding:24px;background:#f6f4ee;color:#1d2326}
a.go{display:inline-block;padding:14px 22px;background:#e0b03a;color:#1d2326;font-weight:700;text-decoration:none}
code{overflow-wrap:anywhere;background:#e4dfd2;padding:2px 6px}
li{margin:10px 0}
@media (prefers-color-scheme:dark){body{background:#14191b;color:#ece8dd}code{background:#2e383d}}
</style></head><body>
<h1>${escaped(shop)}: let this device in</h1>
<p>Once on each tablet, telephone or computer of the shop. Then the line is closed to others on the network, and the camera,
the screen that stays on and <em>Install</em> work.</p>
<ol>
<li><a class="go" href="/authority.crt">Take the shop’s certificate</a></li>
<li>Compare its SHA-256 fingerprint with the one on the owner’s screen (Shop, Tablets):<br><code>${print}</code></li>
<li>Tell the device to believe it:
<ul>
<li><b>Android</b>: Settings, Security, Install a certificate, <em>CA certificate</em>; choose <code>jubb-authority.crt</code>.</li>
<li><b>iPad, iPhone</b>: allow the profile; Settings, General, VPN and device management, install it; then General, About,
Certificate trust settings, switch it on.</li>
<li><b>Windows</b>: open the file, Install, Local machine, <em>Trusted root certification authorities</em>.</li>
<li><b>Mac</b>: open the file; in the keychain, set it to <em>Always trust</em>.</li>
<li><b>Linux</b>: in the browser’s settings, Certificates, Authorities, Import.</li>
</ul></li>
<li><a class="go" href="${escaped(address)}">Open ${escaped(address)}</a></li>
</ol>
</body></html>
`;
