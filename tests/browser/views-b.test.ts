import { lookAtViews } from './views.ts';

lookAtViews(1);
