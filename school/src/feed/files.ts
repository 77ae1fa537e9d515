import { Router } from 'express';

/** Sheets that assignments refer to, by file name. */
const sheets: Readonly<Record<string, string>> = {
  'keel-plan.txt': [
    'Plan of the keel, one to ten',
    '',
    'Keel      4.20 m      42.0 cm',
    'Stem      1.10 m      11.0 cm',
    'Sternpost 0.90 m       9.0 cm',
    'Scarf     0.48 m       4.8 cm, a third of the way from the stem',
    '',
  ].join('\n'),
};

export function filesRouter(): Router {
  const router = Router();
  router.get('/files/:name', (request, response) => {
    const sheet = sheets[request.params.name];
    if (!sheet) return void response.status(404).type('text').send('No such sheet.');
    response.type('text').send(sheet);
  });
  return router;
}
