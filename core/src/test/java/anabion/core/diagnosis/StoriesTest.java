package anabion.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Classic faults, each in a scattered specimen, found by the tests that the diagnosis itself asks for. The first story of a set takes ten seconds and more, since
 * all faults of its circuit are solved; those of the larger sets are left to the deep run.
 */
@ResourceLock(SharedPredictions.LOCK)
class StoriesTest {
    private static final Set<String> QUICK = Set.of("halcyon", "lark");
    /** Of the small sets so many, each some two seconds. */
    private static final int PLAIN = 8;

    private record Story(String name, String set, String fault, String cause) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static final List<Story> ALL = List.of(
            new Story("leaky coupling capacitor", "halcyon", "C14:leaky:2M", "C14:leaky"),
            new Story("open screen feed", "halcyon", "R7:open", "R7:open"),
            new Story("drifted plate load", "halcyon", "R13:drifted:680k", "R13:drifted"),
            new Story("weak selenium rectifier", "rover", "D1:weak:700", "D1:weak"),
            new Story("shorted decoupler that mutes two bands", "brae", "C12:short", "C12:short"),
            new Story("shorted decoupler that leaves FM and pick-up", "concerto", "C24:short", "C24:short"),
            new Story("open coil on one band", "brae", "L5:open", "L5:open"),
            new Story("dead oscillator", "halcyon", "C3:open", "C3:open"),
            new Story("heater-cathode short", "brae", "V4:heater-cathode", "V4:heater-cathode"),
            new Story("broken loop lead", "lark", "L1.coupling:open", "L1.coupling:open"),
            new Story("dried emitter bypass", "lark", "C14:open", "C14"),
            new Story("smoother that has dried", "halcyon", "C18:dried", "C18:dried"),
            new Story("open bypass", "brae", "C23:open", "C23:open"),
            new Story("gassy tube", "halcyon", "V4:gassy:4e-6", "V4:gassy"),
            new Story("silver in a mica", "halcyon", "C12:leaky:22k", "C12"),
            new Story("leak from primary to secondary", "halcyon", "L3:leaky:220k", "L3:leaky"),
            new Story("dead rectifier", "halcyon", "V5:dead", "V5"),
            new Story("shorted reservoir", "halcyon", "C18.1:short", "C18"),
            new Story("open grid leak", "halcyon", "R15:open", "R15:open"),
            new Story("coupling that passes nothing", "halcyon", "C14:open", "C14:open"),
            new Story("the wrong resistor after a recap", "halcyon", "R7:wrong:1M", "R7"),
            new Story("worn tube", "halcyon", "V2:emission:0.3", "V2:emission"),
            new Story("output transformer's primary open", "halcyon", "T2.primary:open", "T2.primary:open"),
            new Story("transistor that leaks", "lark", "Q6.bc:leaky:5k", "Q6"));

    static List<Story> stories() {
        List<Story> quick =
                ALL.stream().filter(s -> QUICK.contains(s.set())).limit(PLAIN).toList();
        List<Story> slow = ALL.stream().filter(s -> !quick.contains(s)).toList();
        List<Story> stories = new ArrayList<>(quick);
        stories.addAll(Deep.some("stories of the larger sets, and more of the small", 0, slow));
        return stories;
    }

    @ParameterizedTest
    @MethodSource("stories")
    void isFound(Story story) {
        Chassis set = SharedSets.named(story.set());
        Workbench.Played played = new Workbench(set, 7, story.fault()).play(SharedPredictions.named(story.set()), 14);
        List<RankedCause> suspects = played.diagnosis().suspects();
        assertThat(suspects).as("%s", played).isNotEmpty();
        assertThat(suspects.get(0).causes()).as("%s%n%s", story, played).anyMatch(h -> h.cause()
                .startsWith(story.cause()));
        assertThat(suspects.get(0).odds()).as("%s", played).isGreaterThan(0.25);
    }
}
