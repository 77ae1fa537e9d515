import { start } from '../../kit';
import { cadroCommand } from './operator';

/** What the operator of a Cadro does at the command line: `npm run cadro -- --help`. */
start(() =>
  cadroCommand((line) => console.log(line))
    .parseAsync(process.argv)
    .then(() => undefined),
);
