package anabion.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The commands are a thin layer: window, database and the libraries of files are behind other doors. */
class ArchitectureTest {
    @Test
    void commandsReachFilesAndTheDatabaseThroughTheWorkshopAlone() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "anabion.desktop..",
                        "javafx..",
                        "java.sql..",
                        "org.jdbi..",
                        "com.fasterxml..",
                        "org.apache.commons.csv..")
                .check(new ClassFileImporter()
                        .withImportOption(new ImportOption.DoNotIncludeTests())
                        .importPackages("anabion.cli"));
    }
}
