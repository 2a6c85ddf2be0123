package anabion.core.simulation.supply;

import anabion.core.device.model.RectifierLaw;

/** A rectifier's plate and cathode in the chassis, with what its path obeys. */
public record Port(String reference, String plate, String cathode, RectifierLaw law) {}
