import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app.ts';
import { appConfig } from './app.config.ts';

void bootstrapApplication(App, appConfig);
