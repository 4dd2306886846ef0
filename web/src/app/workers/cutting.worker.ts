import { expose } from 'comlink';
import loadHighs from 'highs';
import { cuttingTasks } from './cutting-tasks';

// Workers are bundled without files: the page says by the worker’s name where the solver lies.
expose(cuttingTasks(() => loadHighs({ locateFile: () => self.name })));
