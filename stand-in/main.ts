/** The stand-in as a process of its own: ports and secret come from the environment, where it is goes to the parent. */
import { startStandIn } from './server.ts';

const [host, port] = (process.env.BOUNCE_LISTEN ?? '').split(':');
const standIn = await startStandIn({
  smtpPort: Number(process.env.STAND_IN_SMTP_PORT ?? 0),
  httpPort: Number(process.env.STAND_IN_HTTP_PORT ?? 0),
  textSecret: process.env.TEXT_SECRET ?? '',
  bounceTo: host && port ? { host, port: Number(port) } : undefined,
});
process.send?.({ smtpPort: standIn.smtpPort, httpPort: standIn.httpPort });
const stop = () => void standIn.close().then(() => process.exit(0));
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.once(signal, stop);
process.once('disconnect', stop);
