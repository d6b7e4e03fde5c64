// Bookings out of another calendar: its text is fetched here, since browsers may not; what is made of it is chosen on the screen.
import { bookingsAt, bookingsText } from '@bluffwind/contract/trips';
import { createRoute } from '@hono/zod-openapi';
import { Problem } from '../errors';
import { type Deps, requireCaptain } from '../http/context';
import { fetchOutside } from '../http/fetchOutside';
import { answers, jsonBody } from '../http/responses';
import { router } from '../http/routes';

const MOST_BYTES = 4 * 1024 * 1024;

export function bookingRoutes({ config }: Deps) {
  const app = router();
  app.answer(
    createRoute({
      method: 'post',
      path: '/bookings/fetch',
      request: jsonBody(bookingsAt),
      responses: answers(bookingsText, 'The calendar that answers there'),
    }),
    async (c) => {
      requireCaptain(c);
      const { url } = c.req.valid('json');
      const fault = (why: string) =>
        new Problem('invalid', `url: no calendar could be had there: ${why}. Save it as a file (.ics) and choose that.`, [
          { field: 'url', message: why },
        ]);
      const text = await fetchOutside(url, { allowPrivate: config.privateStations, maxBytes: MOST_BYTES }).catch((error: Error) => {
        throw fault(error.message);
      });
      // Nothing else is handed on: this is no way to read other pages through the server.
      if (!/^\uFEFF?BEGIN:VCALENDAR\r?\n/i.test(text)) throw fault('what answers there is no calendar');
      return { text };
    },
    { ownTransactions: true, maxBytes: 2048 },
  );
  return app;
}
