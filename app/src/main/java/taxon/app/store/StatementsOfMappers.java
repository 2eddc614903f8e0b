package taxon.app.store;

import org.apache.ibatis.session.Configuration;
import org.apache.ibatis.type.ByteArrayTypeHandler;
import org.apache.ibatis.type.JdbcType;

/** How MyBatis reads what the mappers say. */
final class StatementsOfMappers extends Configuration {
    private static final String FILE_OF_A_MAPPER = "namespace:";

    StatementsOfMappers() {
        setMapUnderscoreToCamelCase(true);
        setArgNameBasedConstructorAutoMapping(true);
        // The driver has no Blob objects; bytes are read and written as such.
        getTypeHandlerRegistry().register(byte[].class, JdbcType.BLOB, ByteArrayTypeHandler.class);
    }

    /** Statements stand in the mappers. A file beside each would be sought at every start, in all archives of the class path. */
    @Override
    public boolean isResourceLoaded(String resource) {
        return resource.startsWith(FILE_OF_A_MAPPER) || super.isResourceLoaded(resource);
    }
}
