// Imported before anything that asks: without a word of the environment this is the real thing, and tells no stack traces.
process.env.NODE_ENV ??= "production";
