// Commands of the simulator: "scenario FILE" writes the demo's world, "sample FILE" the sample water, "station" serves the weather and tide station,
// "broken-station" one gone wrong, "instrument ISO-TIME" a boat's instruments, "mailbox" a mail server that delivers nothing.
import { writeFileSync } from 'node:fs';
import { startInstrument } from './instrument';
import { startMailbox } from './mailbox';
import { buildSample } from './sample';
import { buildScenario } from './scenario';
import { startBrokenStation, startStation } from './station';

const [command, argument = ''] = process.argv.slice(2);
if (command === 'scenario' && argument) {
  writeFileSync(argument, JSON.stringify(buildScenario()));
} else if (command === 'sample' && argument) {
  writeFileSync(argument, JSON.stringify(buildSample()));
} else if (command === 'station') {
  startStation(Number(argument) || 0);
} else if (command === 'mailbox') {
  void startMailbox(Number(argument) || 0);
} else if (command === 'broken-station') {
  startBrokenStation(Number(argument) || 0);
} else if (command === 'instrument' && !Number.isNaN(Date.parse(argument))) {
  startInstrument(Date.parse(argument));
} else {
  process.stderr.write(
    'usage: sim scenario FILE | sim sample FILE | sim station [PORT] | sim broken-station [PORT] | sim instrument ISO-TIME | sim mailbox [PORT]\n',
  );
  process.exit(2);
}
