import express, { type Express } from 'express';
import { tokenEndpoint } from './access';
import { demoRouter } from './demo/routes';
import { Faults } from './faults';
import { Manners } from './manners';
import { bookingRouter } from './feed/booking';
import { feedRouter } from './feed/routes';
import { filesRouter } from './feed/files';
import type { InboundMail } from './mail/provider';
import { textGateway } from './mail/texts';
import { pushService } from './push/service';
import { oneRosterRouter } from './oneRoster/routes';
import type { Simulation } from './simulation';
import { schools } from './story';

/** The interfaces of the three schools, each under its own path, and the demo's controls. */
export function schoolApp(
  simulation: Simulation,
  inbound: InboundMail,
  baseUrl: () => string,
  gatewayKey: string,
): Express {
  const app = express();
  const faults = new Faults();
  const manners = new Manners();
  app.disable('x-powered-by');
  for (const { id } of schools) {
    app.post(`/${id}/token`, express.urlencoded({ extended: false }), tokenEndpoint(id, manners));
    app.use(
      `/${id}`,
      oneRosterRouter({ school: id, simulation, faults, manners }),
      bookingRouter(id, simulation, { faults, manners }),
      feedRouter(id, simulation, faults, manners),
      filesRouter(),
    );
  }
  app.use(textGateway(simulation, gatewayKey));
  app.use(pushService(simulation, baseUrl));
  app.use(demoRouter(simulation, { faults, manners }, inbound, baseUrl));
  app.get('/healthz', (_request, response) => void response.json({ ok: true }));
  return app;
}
