package taxon.app.store;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.time.Clock;
import javax.sql.DataSource;
import org.apache.ibatis.type.ByteArrayTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.mybatis.spring.annotation.MapperScan;
import org.mybatis.spring.boot.autoconfigure.ConfigurationCustomizer;
import org.springframework.boot.flyway.autoconfigure.FlywayDataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.sqlite.SQLiteDataSource;
import taxon.app.TaxonSettings;

/**
 * The data sources. Transactions begin by taking the write lock: with deferred ones, a read that turns into a write fails
 * when another write came between. {@code synchronous=FULL} makes an acknowledged edit survive a power cut.
 */
@Configuration(proxyBeanMethods = false)
@MapperScan("taxon.app.store")
class StoreConfiguration {
    private static final int READERS = 4;

    @Bean
    @Primary
    DataSource dataSource(TaxonSettings settings) {
        HikariDataSource pool = new HikariDataSource();
        pool.setJdbcUrl(url(settings.data(), "on"));
        pool.setMaximumPoolSize(READERS);
        pool.setPoolName("taxon");
        return pool;
    }

    /** Migrations run without foreign keys, so that tables can be rebuilt. */
    @Bean
    @FlywayDataSource
    DataSource migrationDataSource(TaxonSettings settings) {
        SQLiteDataSource source = new SQLiteDataSource();
        source.setUrl(url(settings.data(), "off"));
        return source;
    }

    private static String url(Path file, String foreignKeys) {
        return "jdbc:sqlite:" + file.toAbsolutePath() + "?journal_mode=WAL&foreign_keys=" + foreignKeys
                + "&busy_timeout=5000&synchronous=FULL&transaction_mode=IMMEDIATE";
    }

    /** The driver has no Blob objects; bytes are read and written as such. */
    @Bean
    ConfigurationCustomizer bytesAsBytes() {
        return configuration -> configuration
                .getTypeHandlerRegistry()
                .register(byte[].class, JdbcType.BLOB, ByteArrayTypeHandler.class);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
