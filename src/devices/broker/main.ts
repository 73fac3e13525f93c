import { createServer } from 'node:net';
import { Aedes } from 'aedes';

/** The stand-in's own small broker, so that the demo needs none: a process of its own on this machine only. */
const PORT = Number(process.env.JOLLY_BROKER_PORT ?? 1883);

const broker = await Aedes.createBroker();
createServer(broker.handle).listen(PORT, '127.0.0.1');
