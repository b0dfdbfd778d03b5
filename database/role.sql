-- What the application needs of a PostgreSQL: a role of its own that is no superuser and holds nothing for long, and a database that
-- belongs to it. Run at each start, by a superuser, with the role's password in DB_PASSWORD; may be run any number of times.
\set ON_ERROR_STOP on
\getenv password DB_PASSWORD
SELECT 'CREATE ROLE sternbild' WHERE NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'sternbild') \gexec
ALTER ROLE sternbild LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD :'password';
ALTER ROLE sternbild SET statement_timeout = '4s';
ALTER ROLE sternbild SET lock_timeout = '3s';
ALTER ROLE sternbild SET idle_in_transaction_session_timeout = '10s';
SELECT 'CREATE DATABASE sternbild OWNER sternbild' WHERE NOT EXISTS (SELECT FROM pg_database WHERE datname = 'sternbild') \gexec
