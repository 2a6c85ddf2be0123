package anabion.desktop.sheet;

import anabion.core.chassis.Measure;
import anabion.core.job.PowerStage;
import anabion.core.job.SignalKind;
import anabion.core.power.StageTable;
import anabion.instruments.InstrumentRole;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What instruments would read for the row that is lit. */
public sealed interface ReadingRequest {
    /** Instruments without which it cannot be read. */
    default List<InstrumentRole> from() {
        if (this instanceof Volts || this instanceof Ohms || this instanceof Soak) return List.of(InstrumentRole.METER);
        if (this instanceof Carrier) return List.of(InstrumentRole.GENERATOR, InstrumentRole.METER);
        return this instanceof Level || this instanceof Output
                ? List.of(InstrumentRole.GENERATOR, InstrumentRole.OUTPUT_METER)
                : List.of(InstrumentRole.METER, InstrumentRole.WATTMETER);
    }

    /** Whether another is for the same row, though a setting of the instruments may be another by now. */
    default boolean sameRow(ReadingRequest other) {
        return equals(other);
    }

    /**
     * Volts at a point with the set at work.
     *
     * @param point its label
     * @param against a net
     * @param expected chooses the range; empty where nothing is foreseen
     */
    record Volts(String point, String against, Measure measure, OptionalDouble expected) implements ReadingRequest {}

    /** Ohms between two nets, power off. */
    record Ohms(String net, String against) implements ReadingRequest {}

    /**
     * A row of a soak: line, a rail, watts.
     *
     * @param rail its point, {@code foot} a net
     * @param expected volts of the rail
     */
    record Soak(String rail, String foot, double expected) implements ReadingRequest {}

    /**
     * A step of a power-up: volts at the set and watts, a rail and its ripple, the lamp.
     *
     * @param dial volts of the variac or supply
     * @param lamp in the line, in the words of the log; empty for none
     * @param rail the net that a meter hangs on; empty where there is none
     * @param foot what the rail is measured against
     * @param rectified whether the rail is a rectifier's: on batteries the current is read instead
     */
    record Step(double dial, Optional<String> lamp, String rail, String foot, double expected, boolean rectified)
            implements ReadingRequest {}

    /**
     * A row of a stage before the whole set.
     *
     * @param against what its point is measured against
     */
    record OfStage(PowerStage stage, StageTable.Row row, String against) implements ReadingRequest {}

    /**
     * What a generator must give at a point for the standard output.
     *
     * @param place what the line begins with
     * @param signal sound, or a carrier
     * @param hertz of the signal
     * @param volts that a good set needs
     * @param output volts at the speaker that are wanted
     */
    record Level(String place, String point, SignalKind signal, double hertz, double volts, double output)
            implements ReadingRequest {}

    /**
     * What an output meter shows while a generator gives a level.
     *
     * @param point a pin or net
     * @param signal the carrier, or the intermediate frequency
     * @param hertz of it; it is modulated
     * @param dial where the set is tuned, in hertz; empty where its gang stands open
     * @param volts of the generator
     */
    record Output(String point, SignalKind signal, double hertz, Optional<Double> dial, double volts)
            implements ReadingRequest {
        /** The level follows from what was read before. */
        @Override
        public boolean sameRow(ReadingRequest other) {
            return other instanceof Output o && equals(new Output(o.point(), o.signal(), o.hertz(), o.dial(), volts));
        }
    }

    /**
     * Direct volts while a generator gives an unmodulated carrier.
     *
     * @param plus a net, {@code minus} likewise
     * @param hertz of the carrier
     * @param volts of the generator
     */
    record Carrier(String plus, String minus, double hertz, double volts) implements ReadingRequest {
        /** The level follows from what was read before. */
        @Override
        public boolean sameRow(ReadingRequest other) {
            return other instanceof Carrier c && equals(new Carrier(c.plus(), c.minus(), c.hertz(), volts));
        }
    }
}
