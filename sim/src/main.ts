// Commands of the simulator: "scenario FILE" writes the demo's world, "station" serves the weather and tide station.
import { writeFileSync } from 'node:fs';
import { buildScenario } from './scenario';
import { startStation } from './station';

const [command, file] = process.argv.slice(2);
if (command === 'scenario' && file) {
  writeFileSync(file, JSON.stringify(buildScenario()));
} else if (command === 'station') {
  startStation();
} else {
  process.stderr.write('usage: sim scenario FILE | sim station\n');
  process.exit(2);
}
