package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;

/** A law most of which stays as it is while nothing but its first terminal swings. */
interface FirstGrid extends DeviceModel {
    /** @param volts of all terminals; of the first they are given anew */
    Swung swung(double[] volts);

    /** What is left of it. */
    interface Swung {
        /** @param amperes set to the currents into the terminals */
        void currents(double first, double[] amperes);
    }
}
