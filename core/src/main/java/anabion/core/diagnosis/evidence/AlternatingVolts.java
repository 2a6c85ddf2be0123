package anabion.core.diagnosis.evidence;

import anabion.core.simulation.setting.Setting;

/**
 * Effective alternating volts between two nets, by a meter that blocks direct ones: of a winding, a heater, a rectifier's plate, or the ripple of a rail.
 *
 * @param point as it is named
 */
public record AlternatingVolts(String point, String net, String against, Setting setting)
        implements Measurement.Powered {
    @Override
    public double minutes() {
        return 1;
    }

    @Override
    public String at() {
        return point;
    }

    @Override
    public String text() {
        return "ac " + point + " to " + against;
    }
}
