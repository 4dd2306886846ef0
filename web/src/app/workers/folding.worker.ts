import { expose } from 'comlink';
import { foldingTasks } from './folding-tasks';

expose(foldingTasks);
