package anabion.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartBuilder;
import anabion.core.command.WiringLine;
import anabion.core.format.ChassisCodec;
import anabion.core.format.ListCodec;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.junit.jupiter.api.Test;

/** The arrows of the house. */
class ArchitectureTest {
    private final JavaClasses house = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar")) // what modules share for their tests
            .importPackages("anabion");

    @Test
    void theCoreKnowsNobodyAndHasNoClockOfItsOwn() {
        noClasses()
                .that()
                .resideInAPackage("anabion.core..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "anabion.workshop..",
                        "anabion.instruments..",
                        "anabion.desktop..",
                        "anabion.cli..",
                        "javafx..",
                        "java.sql..",
                        "org.jdbi..",
                        "java.nio.file..",
                        "java.awt..")
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("anabion.core..")
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(house);
    }

    @Test
    void arrowsRunOneWay() {
        noClasses()
                .that()
                .resideInAPackage("anabion.workshop..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("anabion.desktop..", "anabion.cli..", "anabion.instruments..", "javafx..")
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("anabion.instruments..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("anabion.desktop..", "anabion.cli..", "anabion.workshop..", "javafx..")
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("anabion.desktop..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("anabion.cli..", "java.sql..", "org.jdbi..")
                .check(house);
    }

    /** What is wrong on a simulated bench is known through its instruments alone. */
    @Test
    void theWindowReachesASimulatedBenchThroughItsSocketAlone() {
        noClasses()
                .that()
                .resideInAPackage("anabion.desktop..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("anabion.instruments.simulated..")
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("anabion.instruments..")
                .and()
                .resideOutsideOfPackage("anabion.instruments.simulated..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("anabion.core.simulation..", "anabion.core.signal..", "anabion.core.circuit..")
                .check(house);
        SlicesRuleDefinition.slices()
                .matching("anabion.instruments.(**)")
                .should()
                .beFreeOfCycles()
                .check(house);
    }

    @Test
    void packagesOfTheCoreHaveNoCycles() {
        SlicesRuleDefinition.slices()
                .matching("anabion.core.(*)..")
                .should()
                .beFreeOfCycles()
                .check(house);
        SlicesRuleDefinition.slices()
                .matching("anabion.core.(**)")
                .as("packages of the core, those within others apart")
                .should()
                .beFreeOfCycles()
                .check(house);
    }

    @Test
    void noRuleReadsTheWordsOfARole() {
        noClasses()
                .that()
                .resideInAPackage("anabion.core..")
                .and()
                .doNotBelongToAnyOf(
                        Part.class,
                        PartBuilder.class,
                        AssignedRole.class,
                        WiringLine.class,
                        ChassisCodec.class,
                        ListCodec.class)
                .should()
                .callMethod(Part.class, "roleText")
                .check(house);
    }

    @Test
    void judgementsStandApartFromFormatsAndWordsFromEverything() {
        noClasses()
                .that()
                .resideInAPackage("anabion.core.text..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("anabion.core.chassis..", "anabion.core.reading..", "anabion.core.job..")
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("anabion.core.reading..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("anabion.core.format..")
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("anabion.core.quantity..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("anabion.core.chassis..", "anabion.core.device..")
                .check(house);
    }

    @Test
    void onlyTheStorageLayerTouchesTheDatabaseAndLibrariesOfOurOwnHaveOneDoor() {
        noClasses()
                .that()
                .resideOutsideOfPackage("anabion.core.json..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("com.fasterxml..")
                .check(house);
        noClasses()
                .that()
                .resideOutsideOfPackage("anabion.core.format..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.apache.commons.csv..")
                .check(house);
        noClasses()
                .that()
                .resideInAnyPackage(
                        "anabion.desktop.sheet..",
                        "anabion.desktop.bench..",
                        "anabion.desktop.shelf..",
                        "anabion.desktop.control..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("anabion.workshop.storage..", "org.slf4j..")
                .check(house);
    }
}
