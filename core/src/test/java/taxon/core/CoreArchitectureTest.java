package taxon.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** The core is Java only, and its packages form no cycle. */
class CoreArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar"))
            .importPackages("taxon");

    @Test
    void theCoreKnowsNoFrameworkNoSqlNoHtmlNoSocketsNoFiles() {
        classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "taxon.core..",
                        "java.lang..",
                        "java.util..",
                        "java.time..",
                        "java.text..",
                        "java.math..",
                        "java.nio.charset..",
                        // Sums over what a paper says.
                        "java.security..",
                        "org.jspecify.annotations..",
                        // Flows of least cost.
                        "org.jgrapht..")
                .check(CORE);
    }

    @Test
    void thePackagesOfTheCoreFormNoCycle() {
        slices().matching("taxon.core.(**)").should().beFreeOfCycles().check(CORE);
    }
}
