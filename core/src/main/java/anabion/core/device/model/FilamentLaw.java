package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;

/** A wire whose resistance follows its own heat: the same at alternating volts as at direct ones of that effective value. */
public sealed interface FilamentLaw extends DeviceModel permits LampLaw, BarretterLaw {
    /** Volts it is rated for. */
    double volts();

    /** Ohms at so many effective volts. */
    double ohms(double effective);
}
