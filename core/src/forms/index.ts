export * from './form';
export * from './square-tray/square-tray';
export * from './square-tray/words';
export * from './make';
export * from './square-tray/assembled';
