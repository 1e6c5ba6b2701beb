/** What the jobs of the demo are called that the browser opens: named here and nowhere else. */
export const FLASHING_BRAKE = "Aux pods, brake flasher";
export const BAR_AND_PODS = "Lambing-watch bar and pods";
export const PATH_LIGHTS = "Dim red path lights";
export const HORNS = "Twin horns and work lamp";
export const BOX_LAMP = "Box lamp: run, turn, brake";
export const CROSSED_TURNS = "Turn lamps: left shows right";
