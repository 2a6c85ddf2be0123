package anabion.core.device;

import anabion.core.json.Extra;

/**
 * Published figures of a diode or transistor; 0 where not applicable.
 *
 * @param germanium otherwise silicon
 * @param pnp of a bipolar transistor
 * @param gain of the current, common emitter
 * @param atMilliamps collector current at which the gain holds
 * @param leakMicroamps collector-base or reverse leakage at 25 °C
 * @param fullMilliamps drain current of a field-effect transistor at no gate volts
 * @param pinchVolts gate volts that stop it
 * @param transitionMegahertz frequency at which the current gain has fallen to one
 * @param feedbackPicofarads from collector to base
 * @param baseOhms of the base layer, before the inner base
 */
public record Semiconductor(
        SemiconductorKind kind,
        boolean germanium,
        boolean pnp,
        double gain,
        double atMilliamps,
        double leakMicroamps,
        double fullMilliamps,
        double pinchVolts,
        double transitionMegahertz,
        double feedbackPicofarads,
        double baseOhms,
        Extra extra) {}
