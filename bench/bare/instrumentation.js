// Where there is none, the framework takes that of the folder above, which opens data.
export function register() {}
