package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of lists that were written over the wire. */
@Mapper
interface WriteListMapper {
    record ListRow(int id, String content) {}

    @Select("select coalesce(max(id), 0) + 1 from write_list")
    int nextId();

    @Insert("insert into write_list (id, job_id, content) values (#{id}, #{job}, #{content})")
    void add(@Param("id") int id, @Param("job") int job, @Param("content") String content);

    @Update("update write_list set content = #{content} where id = #{id} and job_id = #{job}")
    int put(@Param("id") int id, @Param("job") int job, @Param("content") String content);

    @Select("select id, content from write_list where id = #{id} and job_id = #{job}")
    Optional<ListRow> find(@Param("job") int job, @Param("id") int id);

    /** The newest first. */
    @Select("select id, content from write_list where job_id = #{job} order by id desc limit #{most}")
    List<ListRow> newest(@Param("job") int job, @Param("most") int most);

    @Delete("delete from write_list where job_id = #{job} and id not in "
            + "(select id from write_list where job_id = #{job} order by id desc limit #{most})")
    void keepOnly(@Param("job") int job, @Param("most") int most);
}
