import { spawnSync } from 'node:child_process';

/**
 * What an expression comes to in a process of its own that has read a module, as `m`: the tools are modules, which the
 * tests cannot read themselves. @throws what the process says of a failure.
 */
export function asModule<T>(path: string, expression: string): T {
  const program = `import * as m from ${JSON.stringify(path)}; console.log(JSON.stringify(${expression}));`;
  const { stdout, stderr, status } = spawnSync(process.execPath, ['--input-type=module', '-e', program], {
    encoding: 'utf8',
  });
  if (status !== 0 || stderr) throw new Error(stderr);
  return JSON.parse(stdout) as T;
}
