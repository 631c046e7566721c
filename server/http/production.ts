/** Imported before React is, wherever the application is served: without it React and the router take their development builds. */
process.env.NODE_ENV = 'production';
