import { start } from '../../kit';
import { cadroCommand } from './operator';

/** Running a Cadro from the command line: `npm run cadro -- --help`. */
start(() =>
  cadroCommand((line) => console.log(line))
    .parseAsync(process.argv)
    .then(() => undefined),
);
