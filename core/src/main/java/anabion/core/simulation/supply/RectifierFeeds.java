package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.device.DeviceType;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.supply.Reservoirs.Joined;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What feeds the rectifiers of a chassis: windings, the mains, switches in either leg. */
final class RectifierFeeds {
    /** Below this the plate of a rectifier sees no alternating volts. */
    private static final double DEAD = 0.5;

    private final Chassis chassis;
    private final Faults faults;
    private final AcSupply mains;
    private final String reference;
    private final Sockets sockets;
    private final Reservoirs behind;

    RectifierFeeds(Chassis chassis, Faults faults, AcSupply mains, String reference, Reservoirs behind) {
        this.chassis = chassis;
        this.faults = faults;
        this.mains = mains;
        this.reference = reference;
        this.sockets = new Sockets(faults);
        this.behind = behind;
    }

    /**
     * Where the current of a rectifier returns.
     *
     * @param far the net against which its source drives it: the reservoir's other end, where that alternates with it, else the end of its winding
     * @param back the nearest net to the rectifier that has the alternating volts of {@code far}
     */
    record Return(String far, String back) {}

    boolean drives(String net, String far) {
        return Math.abs(mains.between(net, far)) > DEAD;
    }

    /**
     * Where the current of what is fed from a net returns: where the reservoir's other end alternates with it, as through a winding, the mains or a
     * switch in either leg, it is driven against that; else, as in a bridge, against the other end of the winding.
     *
     * @param driven the electrode that its source drives
     * @param output where the reservoir hangs, or near
     */
    Return returns(String driven, String output) {
        List<String> fed = alternating(driven);
        Set<String> held = behind.near(output).stream().map(Joined::net).collect(Collectors.toSet());
        Set<String> feet = Set.copyOf(behind.feet(output));
        for (String foot : fed) {
            if (held.contains(foot) || foot.equals(driven) || !feet.contains(foot)) continue;
            String back = fed.stream()
                    .filter(n -> !n.equals(driven) && !drives(n, foot))
                    .findFirst()
                    .orElse(foot);
            return new Return(foot, back);
        }
        String end = end(driven);
        return new Return(end, end);
    }

    /** The nets that alternate with one: along windings, mains, fuses, switches and small resistors, the nearest first. */
    private List<String> alternating(String net) {
        Set<String> seen = new LinkedHashSet<>(List.of(net));
        Deque<String> next = new ArrayDeque<>(seen);
        while (!next.isEmpty()) {
            String at = next.poll();
            List<String> more = new ArrayList<>();
            if (at.equals(AcSupply.L)) more.add(AcSupply.N);
            if (at.equals(AcSupply.N)) more.add(AcSupply.L);
            for (Part p : chassis.partsOn(at)) {
                if (p.component() instanceof Component.Windings w && w.isMainsTransformer())
                    otherEnds(p, w.windings(), at).forEach(more::add);
                if (p.device().isPresent()) Sockets.type(p).ifPresent(t -> more.addAll(along(p, t, at)));
                more.addAll(PassiveStamps.joined(p, at));
            }
            for (String n : more) if (seen.add(n)) next.add(n);
        }
        return List.copyOf(seen);
    }

    /** The other ends of a heater's pieces that begin at a net: a plate may be fed from a tap. */
    private List<String> along(Part p, DeviceType type, String net) {
        return sockets.pieces(p, type).stream()
                .filter(h -> h.from().equals(net) || h.to().equals(net))
                .map(h -> h.from().equals(net) ? h.to() : h.from())
                .toList();
    }

    private List<String> otherEnds(Part p, List<Winding> all, String net) {
        List<String> ends = new ArrayList<>();
        for (Winding w : all) {
            String from = faults.net(p, w.from());
            String to = faults.net(p, w.to());
            if (from.equals(net)) ends.add(to);
            if (to.equals(net)) ends.add(from);
        }
        return ends;
    }

    /** The net at the other end of the winding, or of the mains, that a plate is fed from. */
    private String end(String plate) {
        Set<String> seen = new LinkedHashSet<>(List.of(plate));
        Deque<String> next = new ArrayDeque<>(seen);
        while (!next.isEmpty()) {
            String at = next.poll();
            if (at.equals(AcSupply.L)) return AcSupply.N;
            if (at.equals(AcSupply.N)) return AcSupply.L;
            for (Part p : chassis.partsOn(at)) {
                if (p.component() instanceof Component.Windings w && w.isMainsTransformer()) {
                    Optional<String> end = otherEnd(p, w.windings(), at);
                    if (end.isPresent()) return end.get();
                }
                for (String n : PassiveStamps.joined(p, at)) if (seen.add(n)) next.add(n);
            }
        }
        return reference;
    }

    private Optional<String> otherEnd(Part p, List<Winding> all, String net) {
        for (Winding w : all.subList(1, all.size())) {
            String from = faults.net(p, w.from());
            String to = faults.net(p, w.to());
            if (from.equals(net)) return Optional.of(to);
            if (to.equals(net)) return Optional.of(from);
        }
        return Optional.empty();
    }
}
