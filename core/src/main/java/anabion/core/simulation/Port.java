package anabion.core.simulation;

import anabion.core.device.model.RectifierLaw;

/** A rectifier's plate and cathode in the chassis, with what its path obeys. */
record Port(String reference, String plate, String cathode, RectifierLaw law) {}
