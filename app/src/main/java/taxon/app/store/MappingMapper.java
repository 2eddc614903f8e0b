package taxon.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of kept mappings. */
@Mapper
interface MappingMapper {
    record MappingRow(String name, String headers, String columns) {}

    @Select("select name, headers, columns from kept_mapping order by name")
    List<MappingRow> all();

    @Insert(
            "insert into kept_mapping (name, headers, columns, kept_at) values (#{name}, #{headers}, #{columns}, #{at}) "
                    + "on conflict (name) do update set headers = excluded.headers, columns = excluded.columns, kept_at = excluded.kept_at")
    void keep(
            @Param("name") String name,
            @Param("headers") String headers,
            @Param("columns") String columns,
            @Param("at") String at);

    @Delete("delete from kept_mapping where name = #{name}")
    int forget(@Param("name") String name);
}
