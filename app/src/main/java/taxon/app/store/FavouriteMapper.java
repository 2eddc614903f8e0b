package taxon.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of favourite types. */
@Mapper
interface FavouriteMapper {
    @Select("select type_id from favourite where who = #{who} order by type_id")
    List<String> of(String who);

    @Insert("insert into favourite (who, type_id) values (#{who}, #{type}) on conflict do nothing")
    void keep(@Param("who") String who, @Param("type") String type);

    @Delete("delete from favourite where who = #{who} and type_id = #{type}")
    void forget(@Param("who") String who, @Param("type") String type);
}
