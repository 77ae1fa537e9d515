import { start } from '../../kit';
import { cadroCommand } from './operator';

/** `addSource NAME BASE_URL CLIENT_ID`, as `cadro add-source`: the name it has had from the first day. */
start(async () => {
  const command = cadroCommand((line) => console.log(line));
  await command.parseAsync(['add-source', ...process.argv.slice(2)], { from: 'user' });
});
