import express, { Router } from 'express';
import { OutsideReadings } from '../../core/index.js';
import { Streams } from './event-stream.js';

const MOST_BODY = '1mb';
const MOST_LISTENERS = 20;

/**
 * The way in for a real logger on this machine: POST of JSON readings, passed on to whoever listens. Nothing is kept
 * here; the browser keeps what belongs to its cook.
 */
export function outsideReadings(): Router {
  const router = Router();
  const listeners = new Streams(MOST_LISTENERS);
  router.get('/readings', (_req, res) => {
    listeners.begin(res);
  });
  router.post(
    '/readings',
    (req, res, next) => {
      // A page of another origin may send plain text without asking; JSON it may not. That keeps strangers out.
      if (req.is('application/json') === false) {
        res.status(415).type('text/plain').send('Send application/json.');
        return;
      }
      next();
    },
    express.json({ limit: MOST_BODY, strict: true }),
    (req, res) => {
      const parsed = OutsideReadings.safeParse(req.body);
      if (!parsed.success) {
        const issue = parsed.error.issues[0];
        const field = issue?.path.join('.') ?? '';
        res
          .status(422)
          .type('text/plain')
          .send(`${field === '' ? 'The body' : field}: ${issue?.message ?? 'cannot be read'}`);
        return;
      }
      listeners.send(parsed.data);
      res.status(202).json({ accepted: parsed.data.readings.length, listeners: listeners.size });
    },
  );
  return router;
}
