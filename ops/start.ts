import './start-settings';

// What the options alone refuse is refused before the application is read, which takes seconds.
await import('./launch');
