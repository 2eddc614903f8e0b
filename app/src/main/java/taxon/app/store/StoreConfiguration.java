package taxon.app.store;

import com.zaxxer.hikari.HikariDataSource;
import java.time.Clock;
import java.util.Objects;
import javax.sql.DataSource;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.session.SqlSessionFactory;
import org.mybatis.spring.SqlSessionFactoryBean;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.flyway.autoconfigure.FlywayDataSource;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.TaxonSettings;
import taxon.app.store.copies.StoreCopy;
import taxon.app.store.file.StoreContent;
import taxon.app.store.file.StoreContent.Store;
import taxon.app.store.file.StoreFile;
import taxon.app.store.file.StoreLock;
import taxon.app.store.file.StoreVersions;

/**
 * The data sources. Transactions begin by taking the write lock: with deferred ones, a read that turns into a write fails
 * when another write came between. {@code synchronous=FULL} makes an acknowledged edit survive a power cut.
 */
@Configuration(proxyBeanMethods = false)
@MapperScan(basePackages = "taxon.app.store", annotationClass = Mapper.class)
class StoreConfiguration {
    private static final int READERS = 4;

    @Bean
    StoreFile storeFile(TaxonSettings settings) {
        return new StoreFile(settings.data());
    }

    /** Taken before anything else looks at the file, and held until everything is closed. */
    @Bean
    StoreLock storeLock(StoreFile file) {
        return StoreLock.take(file);
    }

    @Bean
    @Primary
    DataSource dataSource(StoreFile file, StoreContent checked) {
        HikariDataSource pool = new HikariDataSource();
        pool.setJdbcUrl(file.url(settings("on")));
        pool.setMaximumPoolSize(READERS);
        pool.setPoolName("taxon");
        return pool;
    }

    /** What the file was before this start, which refuses what is not ours before anything is written to it. */
    @Bean
    StoreContent storeContent(StoreFile file, StoreLock locked) {
        return StoreVersions.writable(file);
    }

    /** Migrations run without foreign keys, so that tables can be rebuilt. */
    @Bean
    @FlywayDataSource
    DataSource migrationDataSource(StoreFile file, StoreContent checked) {
        return file.source(settings("off"));
    }

    /** A store of an older version is copied before it is changed; the copy stays until someone removes it. */
    @Bean
    FlywayMigrationStrategy copyBeforeMigrating(StoreFile file, StoreContent before) {
        return flyway -> {
            int newest = StoreVersions.newest();
            if (before instanceof Store store && store.version() < newest) {
                StoreCopy.write(file, file.beforeMigration(store.version(), newest));
            }
            flyway.migrate();
        };
    }

    private static String settings(String foreignKeys) {
        return "journal_mode=WAL&foreign_keys=" + foreignKeys
                + "&busy_timeout=30000&synchronous=FULL&transaction_mode=IMMEDIATE";
    }

    /** @throws Exception if the mappers cannot be set up, which is a fault of this code */
    @Bean
    SqlSessionFactory statements(DataSource dataSource) throws Exception {
        SqlSessionFactoryBean factory = new SqlSessionFactoryBean();
        factory.setDataSource(dataSource);
        factory.setConfiguration(new StatementsOfMappers());
        return Objects.requireNonNull(factory.getObject());
    }

    /** Transactions are begun where they are needed, by name; no class of Taxon is wrapped for them. */
    @Bean
    TransactionTemplate transaction(PlatformTransactionManager manager) {
        return new TransactionTemplate(manager);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
