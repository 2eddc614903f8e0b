package taxon.app.store;

import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of scene files. */
@Mapper
interface SceneMapper {
    record SceneRow(int id, String fileName, byte[] content, String request, String state) {}

    @Select("select coalesce(max(id), 0) + 1 from scene_import")
    int nextId();

    @Insert("""
            insert into scene_import (id, job_id, file_name, content, request, state, made_at)
            values (#{id}, #{job}, #{fileName}, #{content}, '{}', 'OPEN', #{at})
            """)
    void add(
            @Param("id") int id,
            @Param("job") int job,
            @Param("fileName") String fileName,
            @Param("content") byte[] content,
            @Param("at") String at);

    @Select("select id, file_name, content, request, state from scene_import where job_id = #{job} and id = #{id}")
    Optional<SceneRow> find(@Param("job") int job, @Param("id") int id);

    @Update("update scene_import set request = #{request} where job_id = #{job} and id = #{id}")
    void choose(@Param("job") int job, @Param("id") int id, @Param("request") String request);

    @Update("update scene_import set state = #{state} where job_id = #{job} and id = #{id} and state = 'OPEN'")
    int end(@Param("job") int job, @Param("id") int id, @Param("state") String state);
}
