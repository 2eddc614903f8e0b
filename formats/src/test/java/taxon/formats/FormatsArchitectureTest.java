package taxon.formats;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class FormatsArchitectureTest {
    private static final JavaClasses FORMATS = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar"))
            .importPackages("taxon.formats");

    @Test
    void formatsKnowTheCoreAndNeitherWireNorApplicationNorFilesNorSockets() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "taxon.wire..",
                        "taxon.app..",
                        "taxon.simrig..",
                        "org.springframework..",
                        "java.sql..",
                        "java.net..",
                        "java.nio.file..")
                .check(FORMATS);
    }

    @Test
    void thePackagesFormNoCycle() {
        slices().matching("taxon.formats.(*)..").should().beFreeOfCycles().check(FORMATS);
    }
}
