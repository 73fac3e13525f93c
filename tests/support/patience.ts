/* A slow or busy machine is no failure: nothing here is judged by its time. */
jest.setTimeout(120_000);
